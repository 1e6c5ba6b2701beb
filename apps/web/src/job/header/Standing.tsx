import { STAGES, type Stage } from "@dragonet/core";
import { useCanEdit } from "../../base/session.ts";
import { Choice } from "../../ui/forms/Choice.tsx";
import { STAGE_WORDS, stageNumber } from "../stages.ts";
import { useJob, useJobStore, type SaveState } from "../store/jobStore.ts";
import { useSaveState } from "../store/useSaveState.ts";
import { HistoryButton } from "./HistoryButton.tsx";
import { SetAsideNote } from "./SetAsideNote.tsx";

const SAVE_WORDS: Readonly<Record<SaveState, string>> = {
  saved: "Saved",
  waiting: "Saving …",
  saving: "Saving …",
  offline: "Not saved yet: no connection. Kept in this browser, tried again by itself.",
  signedOut: "Not saved yet: you are signed out. Kept in this browser.",
  clash: "Somebody changed the same place",
  unkept: "Not saved, and this browser cannot keep it: leave this page open until it is saved.",
};

/** Whether all is saved, said to screen readers as well. */
export function Saving({ quietly = false }: { quietly?: boolean }) {
  const canEdit = useCanEdit();
  const saveState = useSaveState();
  return (
    <span role="status" className={quietly ? "sr-only" : "max-w-72 text-small text-muted"}>
      {canEdit ? SAVE_WORDS[saveState] : "You may look, not change"}
    </span>
  );
}

/** Whether all is saved, and what of the job is changed from everywhere. */
export function Standing({ phone }: { phone: boolean }) {
  const { card } = useJob();
  const canEdit = useCanEdit();
  const { edit } = useJobStore();
  return (
    <div className={`ml-auto flex items-center gap-2 ${phone ? "w-full flex-wrap" : ""}`}>
      <Saving />
      <SetAsideNote />
      {canEdit && (
        <>
          {!phone && <HistoryButton way="undo" />}
          <HistoryButton way="redo" />
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
