import { ChevronDown, ChevronLeft, Search } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { useFindShown } from "../../base/findShown.ts";
import { PAGES } from "../../base/pages.ts";
import { useCanEdit } from "../../base/session.ts";
import { useJob } from "../store/jobStore.ts";
import { useSaveState } from "../store/useSaveState.ts";
import { HistoryButton } from "./HistoryButton.tsx";
import { Saving, Standing } from "./Standing.tsx";

/** On a phone the way back, undo, and the rest by a press. */
function PhoneButtons({ more, onMore }: { more: boolean; onMore: () => void }) {
  const canEdit = useCanEdit();
  const show = useFindShown((s) => s.show);
  return (
    <div className="flex shrink-0 items-center gap-3 pr-2">
      {canEdit && <HistoryButton way="undo" />}
      <button
        type="button"
        aria-label="Find"
        className="touch text-accent"
        onClick={() => show("find")}
      >
        <Search size={18} aria-hidden />
      </button>
      <button
        type="button"
        aria-label="More of this job"
        aria-expanded={more}
        className="touch text-accent"
        onClick={onMore}
      >
        <ChevronDown size={20} aria-hidden className={more ? "rotate-180" : ""} />
      </button>
    </div>
  );
}

/** A job in one line of a phone: the way back, its name, undo; the rest by a press. */
export function PhoneLine({ about }: { about: string }) {
  const { card } = useJob();
  const saveState = useSaveState();
  const [more, setMore] = useState(false);
  const isQuiet = saveState === "saved" || saveState === "saving" || saveState === "waiting";
  return (
    <>
      <div className="flex items-center">
        <Link
          to="/"
          aria-label="Board"
          className="touch inline-flex shrink-0 items-center justify-center text-accent"
        >
          <ChevronLeft size={22} aria-hidden />
        </Link>
        <h1 className="min-w-0 flex-1 leading-tight break-words">{card.title}</h1>
        <PhoneButtons more={more} onMore={() => setMore(!more)} />
      </div>
      {!more && isQuiet ? (
        <Saving quietly />
      ) : (
        <div className="px-3 pb-1">
          {more && <p className="text-small text-muted">{about}</p>}
          <Standing phone />
          {more && (
            <nav aria-label="Pages" className="flex flex-wrap gap-x-4">
              {PAGES.map(({ to, label }) => (
                <Link key={to} to={to} className="touch inline-flex items-center text-accent">
                  {label}
                </Link>
              ))}
            </nav>
          )}
        </div>
      )}
    </>
  );
}
