import { Redo2, Undo2 } from "lucide-react";
import { useCallback } from "react";
import { useLocation, useNavigate } from "react-router";
import { STAGES, type Stage } from "@dragonet/core";
import { useCanEdit } from "../base/session.ts";
import { useSingleKeys } from "../base/useSingleKeys.ts";
import { Choice } from "../ui/forms/Choice.tsx";
import { Tab } from "../ui/page/Tab.tsx";
import { useTitle } from "../ui/page/useTitle.ts";
import { useJob, useJobStore, type SaveState } from "./store/jobStore.ts";
import { SetAsideNote } from "./SetAsideNote.tsx";
import { STAGE_WORDS, stageNumber } from "./stages.ts";

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

export function JobHeader({ jobId }: { jobId: string }) {
  const job = useJob();
  const canEdit = useCanEdit();
  const { edit, undo, redo, undoSteps, redoSteps, saveState } = useJobStore();
  useStageKeys(jobId);
  const at = useLocation().pathname.split("/")[3] ?? "";
  const here = STAGES.find((stage) => stage === at);
  useTitle(`${job.card.title}: ${here ? STAGE_WORDS[here] : at}`);
  const { card, vehicle } = job;
  return (
    <header className="no-print flex flex-wrap items-center gap-x-2 gap-y-1 border-b border-hair px-4 py-1">
      <div className="min-w-0">
        <h1 className="truncate leading-tight">{card.title}</h1>
        <p className="truncate text-small text-muted">
          {vehicle.model}
          {vehicle.machine !== "" && `, ${vehicle.machine}`}
          {card.customer !== "" && ` · ${card.customer}`}
        </p>
      </div>
      <nav
        aria-label="Stages"
        className="flex gap-x-2 max-md:w-full max-md:overflow-x-auto md:flex-wrap"
      >
        {STAGES.map((stage) => (
          <Tab key={stage} to={`/jobs/${jobId}/${stage}`}>
            <span className="num text-small text-muted" aria-hidden>
              {stageNumber(stage)}
            </span>
            {STAGE_WORDS[stage]}
          </Tab>
        ))}
        <Tab to={`/jobs/${jobId}/sheet`}>Sheet</Tab>
        <Tab to={`/jobs/${jobId}/history`}>History</Tab>
      </nav>
      <div className="ml-auto flex items-center gap-2">
        <span role="status" className="max-w-72 text-small text-muted">
          {canEdit ? SAVE_WORDS[saveState] : "You may look, not change"}
        </span>
        <SetAsideNote />
        {canEdit && (
          <>
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
          </>
        )}
        <Choice<Stage>
          label="Stage of the job"
          value={card.stage}
          disabled={!canEdit}
          className="w-32"
          options={STAGES.map((value) => ({
            value,
            label: `${stageNumber(value)} ${STAGE_WORDS[value]}`,
          }))}
          onChange={(value) => edit([{ kind: "setOnce", entity: "card", field: "stage", value }])}
        />
      </div>
    </header>
  );
}
