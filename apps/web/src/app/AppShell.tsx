import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { NavLink, Outlet } from "react-router";
import { LogOut } from "lucide-react";
import { forgetJobs } from "../job/keptJobs.ts";
import { FirstOwnerPage } from "../signIn/FirstOwnerPage.tsx";
import { SignInPage } from "../signIn/SignInPage.tsx";
import { Loading, Trouble } from "../ui/states.tsx";
import { ask } from "./api.ts";
import { useSession, type Person } from "./session.ts";
import { showTheme } from "./theme.ts";

/** What the kept application answers with when there is no network: see vite.config.ts. */
const LAST_ANSWERS = "last-answers";

const PAGES = [
  { to: "/", label: "Board" },
  { to: "/shelf", label: "Shelf" },
  { to: "/vehicles", label: "Vehicles" },
  { to: "/settings", label: "Settings" },
];

const navClass = ({ isActive }: { isActive: boolean }): string =>
  `touch inline-flex items-center border-b-2 px-1 py-2 ${isActive ? "border-accent font-bold text-ink" : "border-transparent text-accent"}`;

function TopBar({ person, shop }: { person: Person; shop: string }) {
  const queries = useQueryClient();
  const signOut = async (): Promise<void> => {
    await ask("session", "DELETE");
    await Promise.all([
      forgetJobs(),
      "caches" in globalThis ? caches.delete(LAST_ANSWERS) : undefined,
    ]);
    // Nothing of this person stays in the page; the session alone is asked for again.
    queries.removeQueries({ predicate: (query) => query.queryKey[0] !== "session" });
    await queries.invalidateQueries({ queryKey: ["session"] });
  };
  return (
    <header className="no-print flex flex-wrap items-center gap-x-5 border-b border-hair px-4">
      <NavLink to="/" className="py-2 text-lead font-bold tracking-tight">
        Dragonet
      </NavLink>
      <nav aria-label="Pages" className="flex gap-x-4">
        {PAGES.map(({ to, label }) => (
          <NavLink key={to} to={to} end={to === "/"} className={navClass}>
            {label}
          </NavLink>
        ))}
      </nav>
      <span className="ml-auto hidden text-small text-muted md:inline">
        {shop} · {person.name}, {person.role}
      </span>
      <button
        type="button"
        aria-label="Sign out"
        title="Sign out"
        className="touch ml-auto inline-flex items-center justify-center text-accent md:ml-0"
        onClick={() => void signOut()}
      >
        <LogOut size={17} aria-hidden />
      </button>
    </header>
  );
}

/** Everything hangs in here: nothing is shown before somebody has signed in. */
export function AppShell() {
  const { data, error, isPending, refetch } = useSession();
  const theme = data?.person?.preferences.theme;
  useEffect(() => {
    if (theme) showTheme(theme);
  }, [theme]);

  if (isPending) return <Loading what="the shop" />;
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (data.needsFirstOwner) return <FirstOwnerPage />;
  if (!data.person) return <SignInPage shop={data.shop} />;
  return (
    <div className="flex min-h-dvh flex-col">
      <a
        href="#main"
        className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-paper focus:p-2"
      >
        Skip to content
      </a>
      <TopBar person={data.person} shop={data.shop} />
      <main id="main" tabIndex={-1} className="flex min-h-0 flex-1 flex-col outline-none">
        <Outlet />
      </main>
    </div>
  );
}
