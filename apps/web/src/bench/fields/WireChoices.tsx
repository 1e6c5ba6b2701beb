import {
  AWG_GAUGES,
  METRIC_GAUGES,
  append,
  asId,
  decimal,
  measured,
  type Edit,
  type HarnessId,
  type CircuitId,
  type WireChoice,
  type WireLine,
} from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { checkColour } from "../../ui/forms/checkColour.ts";
import { Choice } from "../../ui/forms/Choice.tsx";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";
import { TextInput } from "../../ui/forms/TextInput.tsx";
import { WireSwatch } from "../../ui/WireSwatch.tsx";

type PlannedWire = WireLine;

const NEW_HARNESS = "new";

const isPlain = (c: WireChoice): boolean =>
  c.harnessId === "" && c.colour === "" && c.gaugeId === "" && c.lengthM === null;

/** One wire: what the plan gives it, and what is said about it here. */
function WireRow({ wire, choice }: { wire: PlannedWire; choice: WireChoice | undefined }) {
  const job = useJob();
  const edit = useEdit();
  const now: WireChoice = choice ?? {
    ...{
      id: "",
      wire: wire.elementId,
      harnessId: "",
      colour: "",
      gaugeId: "",
      lengthM: null,
    },
  };
  const say = (change: Partial<WireChoice>, before: readonly Edit[] = []): void => {
    const next = { ...now, ...change, id: choice?.id ?? mint("wire") };
    const gone: Edit[] = choice ? [{ kind: "remove", entity: "wireChoice", id: choice.id }] : [];
    edit([...before, ...gone, ...(isPlain(next) ? [] : [append(job, "wireChoice", next)])]);
  };
  const setHarness = (id: string): void => {
    if (id !== NEW_HARNESS) {
      say({ harnessId: job.harnesses.find((h) => h.id === id)?.id ?? "" });
      return;
    }
    const harness = {
      id: asId<HarnessId>(mint("harness")),
      name: `Harness ${job.harnesses.length + 1}`,
      ...{ note: "", joints: [] },
    };
    say({ harnessId: harness.id }, [append(job, "harness", harness)]);
  };
  return (
    <li className="border-t border-hair py-1">
      <p className="flex flex-wrap items-center gap-x-2 text-small">
        <span className="num font-bold">{wire.label}</span>
        <WireSwatch colour={wire.colour} />
        <span className="num">{wire.gaugeId}</span>
        <span className="text-muted">
          {wire.from} to {wire.to}
        </span>
      </p>
      <div className="flex flex-wrap items-center gap-1 pt-1">
        <TextInput
          label={`Colour of ${wire.label}`}
          value={now.colour}
          placeholder={wire.colour}
          className="w-24"
          maxLength={40}
          check={checkColour}
          onCommit={(colour) => say({ colour })}
        />
        <Choice
          label={`Size of ${wire.label}`}
          value={now.gaugeId}
          className="w-24"
          options={[
            { value: "", label: "as sized" },
            ...[...AWG_GAUGES, ...METRIC_GAUGES].map((g) => ({ value: g.id, label: g.id })),
          ]}
          onChange={(gaugeId) => say({ gaugeId })}
        />
        <Choice
          label={`Harness of ${wire.label}`}
          value={now.harnessId}
          className="w-32"
          options={[
            { value: "", label: "cut here" },
            ...job.harnesses.map((h) => ({ value: h.id, label: h.name })),
            { value: NEW_HARNESS, label: "in a new harness" },
          ]}
          onChange={setHarness}
        />
        {now.harnessId !== "" && (
          <NumberInput
            label={`Length of ${wire.label} as it comes`}
            unit="m"
            value={now.lengthM?.value ?? Number(decimal(wire.lengthM, 2))}
            max={100}
            className="w-14"
            onCommit={(m) => say({ lengthM: measured(m) })}
          />
        )}
      </div>
    </li>
  );
}

/** Every wire of one circuit, supply or control, so that each can be spoken of by itself. */
export function WireChoices({
  ownerId,
  wires,
}: {
  ownerId: CircuitId;
  wires: readonly PlannedWire[];
}) {
  const job = useJob();
  const own = wires.filter((wire) => wire.runId === ownerId);
  if (own.length === 0) return <p className="text-small text-muted">No wire of its own yet.</p>;
  return (
    <ul>
      {own.map((wire) => (
        <WireRow
          key={wire.elementId}
          wire={wire}
          choice={job.wireChoices.find((c) => c.wire === (wire.elementId as string))}
        />
      ))}
    </ul>
  );
}
