import { useState } from "react";
import {
  AWG_GAUGES,
  DEVIATION_KINDS,
  METRIC_GAUGES,
  RUN_DEVIATIONS,
  append,
  createDeviation,
  type WiringDeviation,
  type CircuitId,
  type WireLine,
} from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/forms/Choice.tsx";
import { DEVIATION_WORDS, deviationText, mendDeviation, terminalsOf } from "./deviations.ts";

interface DeviationsProps {
  readonly runId: CircuitId;
  readonly wires: readonly WireLine[];
  readonly canEdit: boolean;
}

type Draft = Pick<
  WiringDeviation,
  "kind" | "wire" | "end" | "otherWire" | "otherEnd" | "at" | "otherAt"
> & {
  readonly otherRunId: string;
  readonly gaugeId: string;
};

const START: Draft = {
  ...{ kind: "joined", wire: "", end: "to", otherWire: "", otherEnd: "to", at: "", otherAt: "" },
  ...{ otherRunId: "", gaugeId: "22 AWG" },
};

/** Which fields a kind asks for, in the order they are said. */
const ASKS: Readonly<Record<WiringDeviation["kind"], readonly (keyof Draft)[]>> = {
  lampsSwapped: ["otherRunId"],
  joined: ["otherRunId"],
  thinSharedReturn: ["otherRunId"],
  endMoved: ["wire", "end", "at"],
  endsSwapped: ["wire", "end", "otherWire", "otherEnd"],
  wireMissing: ["wire"],
  thinWire: ["wire", "gaugeId"],
  reversed: ["at", "otherAt"],
  tied: ["at", "otherAt"],
};

const LABELS: Readonly<Record<keyof Draft, string>> = {
  kind: "How it is wired",
  otherRunId: "With which circuit",
  wire: "Wire",
  end: "Which end of it",
  otherWire: "The other wire",
  otherEnd: "Which end of that",
  at: "Terminal",
  otherAt: "The other terminal",
  gaugeId: "Size that was taken",
};

/** How the vehicle is really wired where that differs from the plan: as found, or to try it. */
export function Deviations({ runId, wires, canEdit }: DeviationsProps) {
  const job = useJob();
  const edit = useEdit();
  const [draft, setDraft] = useState<Draft>(START);
  const here = job.deviations.filter((d) => d.runId === runId || d.otherRunId === runId);
  const own = wires.filter((w) => w.runId === runId);
  const wireOptions = (list: readonly WireLine[]) =>
    list.map((w) => ({ value: w.elementId, label: `${w.label}: ${w.from} to ${w.to}` }));
  const ends = (id: string) => {
    const wire = wires.find((w) => w.elementId === id);
    return [
      { value: "from", label: wire ? `at ${wire.from}` : "first end" },
      { value: "to", label: wire ? `at ${wire.to}` : "second end" },
    ];
  };
  const terminals = terminalsOf(wires).map((t) => ({ value: t.node, label: t.words }));
  const sizes = [...AWG_GAUGES, ...METRIC_GAUGES].map(({ id }) => ({ value: id, label: id }));
  const options: Readonly<
    Record<Exclude<keyof Draft, "kind">, readonly { value: string; label: string }[]>
  > = {
    otherRunId: job.runs.filter((r) => r.id !== runId).map((r) => ({ value: r.id, label: r.name })),
    wire: wireOptions(own),
    otherWire: wireOptions(wires),
    end: ends(draft.wire || (own[0]?.elementId ?? "")),
    otherEnd: ends(draft.otherWire || (wires[0]?.elementId ?? "")),
    at: terminals,
    otherAt: terminals,
    gaugeId: sizes,
  };
  const asks = ASKS[draft.kind].filter((f): f is Exclude<keyof Draft, "kind"> => f !== "kind");
  const valueOf = (field: Exclude<keyof Draft, "kind">): string =>
    draft[field] === "" ? (options[field][0]?.value ?? "") : draft[field];
  const add = (): void => {
    const said = Object.fromEntries(asks.map((field) => [field, valueOf(field)]));
    edit([append(job, "deviation", createDeviation(mint("deviation"), draft.kind, runId, said))]);
    setDraft({ ...START, kind: draft.kind });
  };
  const between = RUN_DEVIATIONS.some((kind) => kind === draft.kind);
  const alone = between && options.otherRunId.length === 0;
  return (
    <div>
      <ul>
        {here.map((d) => (
          <li key={d.id} className="border-t border-hair py-1 text-small">
            {deviationText(job, d, wires)}
            <Button look="quiet" className="px-1" onClick={() => edit([mendDeviation(d)])}>
              Wire it as planned
            </Button>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap items-center gap-1 border-t border-hair py-1">
        <Choice<WiringDeviation["kind"]>
          label={LABELS.kind}
          value={draft.kind}
          disabled={!canEdit}
          className="w-full"
          options={DEVIATION_KINDS.map((value) => ({ value, label: DEVIATION_WORDS[value] }))}
          onChange={(kind) => setDraft({ ...draft, kind })}
        />
        {alone ? (
          <p className="text-small text-muted">It takes a second circuit to be wired across.</p>
        ) : (
          <>
            {asks.map((field) => (
              <Choice
                key={field}
                label={LABELS[field]}
                value={valueOf(field)}
                disabled={!canEdit}
                className="w-full"
                options={options[field]}
                onChange={(value) => setDraft({ ...draft, [field]: value })}
              />
            ))}
            <Button disabled={!canEdit} onClick={add}>
              Add
            </Button>
          </>
        )}
      </div>
    </div>
  );
}
