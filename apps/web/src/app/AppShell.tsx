import { useQueryClient } from "@tanstack/react-query";
import { Suspense, lazy, useEffect } from "react";
import { NavLink, Outlet, useLocation, useMatch } from "react-router";
import { useNarrow } from "../base/useNarrow.ts";
import { FoldedPages } from "../ui/page/FoldedPages.tsx";
import { Loading, Trouble } from "../ui/page/states.tsx";
import { useSending } from "../sync/useSending.ts";
import { newJobsOf, useWaitingStore } from "../sync/waiting.ts";
import { waitingActs, waitsWord } from "../sync/words.ts";
import { sessionEnds } from "../base/api.ts";
import { PAGES } from "../base/pages.ts";
import { Find } from "../find/Find.tsx";
import { HelpLink } from "../help/HelpLink.tsx";
import { TourStrip } from "../help/TourStrip.tsx";
import { SignOut } from "./SignOut.tsx";
import { CurrentUser, useSession, type Person } from "../base/session.ts";
import { showTheme } from "../base/theme.ts";
import { NoWay } from "./NoWay.tsx";
import { useFocusKept } from "./useFocusKept.ts";
import { useOwnAnswers } from "./useOwnAnswers.ts";

/** Forms and their library come where somebody has to sign in, and to nobody else. */
const FirstOwnerPage = lazy(async () => ({
  default: (await import("../signIn/FirstOwnerPage.tsx")).FirstOwnerPage,
}));
const SignInPage = lazy(async () => ({
  default: (await import("../signIn/SignInPage.tsx")).SignInPage,
}));

const navClass = ({ isActive }: { isActive: boolean }): string =>
  `touch inline-flex items-center border-b-2 px-1 py-2 ${isActive ? "border-accent font-bold text-ink" : "border-transparent text-accent"}`;

/** The pages of the shop: beside each other, or by a press where they do not fit. */
function PagesNav() {
  const phone = useNarrow("md");
  const { pathname } = useLocation();
  const here = PAGES.find(({ to }) => (to === "/" ? pathname === to : pathname.startsWith(to)));
  const links = PAGES.map(({ to, label }) => (
    <NavLink key={to} to={to} end={to === "/"} className={navClass}>
      {label}
    </NavLink>
  ));
  return (
    <nav aria-label="Pages" className="flex gap-x-4 max-md:mr-auto">
      {phone ? <FoldedPages here={here?.label ?? "Pages"}>{links}</FoldedPages> : links}
    </nav>
  );
}

function TopBar({ person, shop }: { person: Person; shop: string }) {
  useFocusKept();
  useOwnAnswers(person.id);
  useSending(person.id);
  const waits = useWaitingStore((s) =>
    waitsWord(waitingActs(s.waiting, person.id), newJobsOf(s, person.id)),
  );
  // On a phone a job's own line has what is needed of this one.
  const inJob = useMatch("/jobs/:jobId/*") !== null;
  return (
    <header
      className={`no-print flex items-center gap-x-5 border-b border-hair px-4 max-md:gap-x-3 ${inJob ? "max-md:hidden" : ""}`}
    >
      <NavLink to="/" className="py-2 text-lead font-bold tracking-tight">
        Dragonet
      </NavLink>
      <PagesNav />
      <span className="ml-auto hidden text-small text-muted md:inline">
        {waits !== "" && <b className="text-ink">{waits} not saved yet · </b>}
        {shop} · {person.name}, {person.role}
      </span>
      <span className="inline-flex gap-3">
        <HelpLink />
        <Find />
        <SignOut personId={person.id} />
      </span>
    </header>
  );
}

/** Everything hangs in here: nothing is shown before somebody has signed in. */
export function AppShell() {
  const { data, error, isPending, refetch } = useSession();
  const theme = data?.person?.preferences.theme;
  const queries = useQueryClient();
  useEffect(() => {
    // An answer said that nobody is signed in: the session's own answer decides what is shown.
    const look = (): void => void queries.invalidateQueries({ queryKey: ["session"] });
    sessionEnds.addEventListener("end", look);
    return () => sessionEnds.removeEventListener("end", look);
  }, [queries]);
  useEffect(() => {
    if (theme) showTheme(theme);
  }, [theme]);

  if (isPending) return <Loading what="the shop" />;
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (data.needsFirstOwner || !data.person) {
    return (
      <Suspense fallback={<Loading what="the shop" />}>
        {data.needsFirstOwner ? <FirstOwnerPage /> : <SignInPage shop={data.shop} />}
      </Suspense>
    );
  }
  return (
    <CurrentUser value={data.person}>
      <div className="flex min-h-dvh flex-col">
        <a
          href="#main"
          className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-paper focus:p-2"
        >
          Skip to content
        </a>
        <TopBar person={data.person} shop={data.shop} />
        <NoWay />
        <main id="main" tabIndex={-1} className="flex min-h-0 flex-1 flex-col outline-none">
          <TourStrip />
          <Outlet />
        </main>
      </div>
    </CurrentUser>
  );
}
