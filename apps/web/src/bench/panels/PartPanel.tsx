import {
  ownerName,
  fixed,
  type ChoiceKind,
  type JobPlan,
  type CircuitId,
  type DiagramPart,
} from "@dragonet/core";
import { useJob } from "../../job/store/jobStore.ts";
import { Alternatives } from "./Alternatives.tsx";

const KIND_WORDS: Readonly<Record<ChoiceKind, string>> = {
  feed: "Feed",
  fuse: "Fuse",
  wire: "Wire",
  relay: "Relay",
  coil: "Coil",
  switch: "Switch",
  tap: "Trigger",
  plug: "Plug",
  return: "Return",
  splice: "Splices",
};

interface PartPanelProps {
  readonly plan: JobPlan;
  /** What a meter shows at the part that was pressed, with the controls as they are. */
  readonly reading: DiagramPart | null;
  readonly runId: CircuitId;
  readonly choice: ChoiceKind;
  readonly canEdit: boolean;
}

/** Why a part was picked, and its pinned alternatives with their consequences. */
export function PartPanel({ plan, reading, runId, choice, canEdit }: PartPanelProps) {
  const job = useJob();
  const made = plan.choices.find((c) => c.runId === runId && c.kind === choice);
  const name = ownerName(job, runId);
  return (
    <section aria-label={`${KIND_WORDS[choice]} of ${name}`}>
      <p className="text-small text-muted">{name}</p>
      <h2 className="text-lead">{KIND_WORDS[choice]}</h2>
      {made ? (
        <>
          <p className="mt-1 font-bold">
            {made.picked}
            {made.pinned && <span className="ml-2 text-small font-normal">pinned</span>}
          </p>
          <p className="mb-3">{made.reason}</p>
        </>
      ) : (
        <p className="mb-3">Not used on this circuit as it stands.</p>
      )}
      {reading && (
        <p className="mb-3 border-y border-hair py-1">
          <span className="text-small text-muted">Meter here: </span>
          <span className="num font-bold">{fixed(reading.fromV, 2)} V</span> before,{" "}
          <span className="num font-bold">{fixed(reading.toV, 2)} V</span> after,{" "}
          <span className="num font-bold">{fixed(reading.currentA, 2)} A</span>
        </p>
      )}
      <Alternatives runId={runId} kind={choice} canEdit={canEdit} />
    </section>
  );
}
