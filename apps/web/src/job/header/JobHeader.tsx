import { ChevronDown, ChevronLeft, Redo2, Search, Undo2 } from "lucide-react";
import { useCallback, useState } from "react";
import { Link, useLocation, useNavigate } from "react-router";
import { STAGES, vehicleName, type Stage } from "@dragonet/core";
import { useCanEdit } from "../../base/session.ts";
import { useFindShown } from "../../base/findShown.ts";
import { PAGES } from "../../base/pages.ts";
import { useNarrow } from "../../base/useNarrow.ts";
import { useSingleKeys } from "../../base/useSingleKeys.ts";
import { Choice } from "../../ui/forms/Choice.tsx";
import { useTitle } from "../../ui/page/useTitle.ts";
import { useJob, useJobStore, type SaveState } from "../store/jobStore.ts";
import { SetAsideNote } from "./SetAsideNote.tsx";
import { StageNav } from "./StageNav.tsx";
import { STAGE_WORDS, stageNumber } from "../stages.ts";

const SAVE_WORDS: Readonly<Record<SaveState, string>> = {
  saved: "Saved",
  waiting: "Saving …",
  saving: "Saving …",
  offline: "Not saved yet: no connection. Kept in this browser, tried again by itself.",
  signedOut: "Not saved yet: you are signed out. Kept in this browser.",
  clash: "Somebody changed the same place",
  unkept: "Not saved, and this browser cannot keep it: leave this page open until it is saved.",
};

function useStageKeys(jobId: string): void {
  const navigate = useNavigate();
  const press = useCallback(
    (key: string) => {
      const stage = STAGES.find((s) => String(stageNumber(s)) === key);
      if (stage) void navigate(`/jobs/${jobId}/${stage}`);
    },
    [jobId, navigate],
  );
  useSingleKeys(press);
}

function UndoButton() {
  const { undo, undoSteps } = useJobStore();
  return (
    <button
      type="button"
      className="touch text-accent disabled:text-hair"
      aria-label="Undo"
      title="Undo (Ctrl+Z)"
      disabled={undoSteps.length === 0}
      onClick={undo}
    >
      <Undo2 size={18} aria-hidden />
    </button>
  );
}

function RedoButton() {
  const { redo, redoSteps } = useJobStore();
  return (
    <button
      type="button"
      className="touch text-accent disabled:text-hair"
      aria-label="Redo"
      title="Redo (Ctrl+Y)"
      disabled={redoSteps.length === 0}
      onClick={redo}
    >
      <Redo2 size={18} aria-hidden />
    </button>
  );
}

/** Whether all is saved, said to screen readers as well. */
function Saving({ quietly = false }: { quietly?: boolean }) {
  const canEdit = useCanEdit();
  const saveState = useJobStore((s) => s.saveState);
  return (
    <span role="status" className={quietly ? "sr-only" : "max-w-72 text-small text-muted"}>
      {canEdit ? SAVE_WORDS[saveState] : "You may look, not change"}
    </span>
  );
}

/** Whether all is saved, and what of the job is changed from everywhere. */
function Standing({ phone }: { phone: boolean }) {
  const { card } = useJob();
  const canEdit = useCanEdit();
  const { edit } = useJobStore();
  return (
    <div className={`ml-auto flex items-center gap-2 ${phone ? "w-full flex-wrap" : ""}`}>
      <Saving />
      <SetAsideNote />
      {canEdit && (
        <>
          {!phone && <UndoButton />}
          <RedoButton />
        </>
      )}
      <Choice<Stage>
        label="Stage of the job"
        value={card.stage}
        disabled={!canEdit}
        className={phone ? "ml-auto w-32" : "w-32"}
        options={STAGES.map((value) => ({
          value,
          label: `${stageNumber(value)} ${STAGE_WORDS[value]}`,
        }))}
        onChange={(value) => edit([{ kind: "setOnce", entity: "card", field: "stage", value }])}
      />
    </div>
  );
}

/** On a phone the way back, undo, and the rest by a press. */
function PhoneButtons({ more, onMore }: { more: boolean; onMore: () => void }) {
  const canEdit = useCanEdit();
  const show = useFindShown((s) => s.show);
  return (
    <div className="flex shrink-0 items-center gap-3 pr-2">
      {canEdit && <UndoButton />}
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
function PhoneLine({ about }: { about: string }) {
  const { card } = useJob();
  const saveState = useJobStore((s) => s.saveState);
  const [more, setMore] = useState(false);
  const isQuiet = saveState === "saved" || saveState === "saving" || saveState === "waiting";
  return (
    <>
      <div className="flex items-center">
        <Link to="/" aria-label="Board" className="touch shrink-0 text-accent">
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

/** The job's name, its pages, whether it is saved. */
export function JobHeader({ jobId }: { jobId: string }) {
  const { card, vehicle } = useJob();
  const phone = useNarrow("md");
  useStageKeys(jobId);
  const at = useLocation().pathname.split("/")[3] ?? "";
  const here = STAGES.find((stage) => stage === at);
  useTitle(`${card.title}: ${here ? STAGE_WORDS[here] : at}`);
  const about = [vehicleName(vehicle), card.customer].filter((t) => t !== "").join(" · ");
  return (
    <header
      className={`no-print border-b border-hair py-1 ${phone ? "px-1" : "flex flex-wrap items-center gap-x-2 gap-y-1 px-4"}`}
    >
      {phone ? (
        <PhoneLine about={about} />
      ) : (
        <div className="min-w-0">
          <h1 className="truncate leading-tight">{card.title}</h1>
          <p className="truncate text-small text-muted">{about}</p>
        </div>
      )}
      <StageNav jobId={jobId} here={here} />
      {!phone && <Standing phone={false} />}
    </header>
  );
}
