import { Plus } from "lucide-react";
import { type FastenerId, type TeardownStep, asId, removeStep, setIn } from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { Button } from "../../ui/Button.tsx";
import { RemoveButton } from "../../ui/RemoveButton.tsx";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";
import { TextInput } from "../../ui/forms/TextInput.tsx";
import { Tick } from "../../ui/forms/Tick.tsx";

/** What nobody reaches while it is on: testing then knows what has to come off. */
export function Covers({ step }: { step: TeardownStep }) {
  const { places } = useJob().vehicle;
  const edit = useEdit();
  if (places.length === 0) return null;
  return (
    <fieldset className="border-t border-hair py-1">
      <legend className="sr-only">What it covers</legend>
      <span className="text-small text-muted">Covers: </span>
      <span className="inline-flex flex-wrap gap-x-4">
        {places.map(({ id, name }) => (
          <Tick
            key={id}
            checked={step.covers.includes(id)}
            onChange={(on) =>
              edit([
                setIn(
                  "stripStep",
                  step.id,
                  "covers",
                  on ? [...step.covers, id] : step.covers.filter((other) => other !== id),
                ),
              ])
            }
          >
            {name}
          </Tick>
        ))}
      </span>
    </fieldset>
  );
}

/** What has to be off before it. */
export function ComesOffAfter({ step }: { step: TeardownStep }) {
  const { strip } = useJob();
  const edit = useEdit();
  const others = strip.filter((s) => s.id !== step.id);
  if (others.length === 0) return null;
  return (
    <fieldset className="border-t border-hair py-1">
      <legend className="sr-only">What has to be off before it</legend>
      <span className="text-small text-muted">Comes off after: </span>
      <span className="inline-flex flex-wrap gap-x-4">
        {others.map((other) => (
          <Tick
            key={other.id}
            checked={step.after.includes(other.id)}
            onChange={(on) =>
              edit([
                setIn(
                  "stripStep",
                  step.id,
                  "after",
                  on ? [...step.after, other.id] : step.after.filter((id) => id !== other.id),
                ),
              ])
            }
          >
            {other.name}
          </Tick>
        ))}
      </span>
    </fieldset>
  );
}

/** Another kind of fastener, another plug. */
export function AddToStep({ step }: { step: TeardownStep }) {
  const job = useJob();
  const edit = useEdit();
  return (
    <div className="flex flex-wrap gap-2 py-1">
      <Button
        look="quiet"
        onClick={() =>
          edit([
            {
              kind: "add",
              entity: "fastener",
              at: job.fasteners.length,
              value: {
                id: asId<FastenerId>(mint("fastener")),
                stepId: step.id,
                drive: "hex",
                size: "M6",
                lengthMm: 20,
                count: 1,
                where: "",
                spots: [{ x: 0.5, y: 0.5 }],
                torqueNm: 0,
                locker: "none",
                back: 0,
              },
            },
          ])
        }
      >
        <Plus size={14} aria-hidden /> Fastener
      </Button>
      <Button
        look="quiet"
        onClick={() =>
          edit([
            {
              kind: "add",
              entity: "plug",
              at: job.plugs.length,
              value: {
                id: mint("plug"),
                stepId: step.id,
                name: "plug",
                where: "",
                parted: false,
                joined: false,
              },
            },
          ])
        }
      >
        <Plus size={14} aria-hidden /> Plug
      </Button>
    </div>
  );
}

/** How it comes off, how long that takes, and what is forgotten. */
export function StepFields({ step }: { step: TeardownStep }) {
  const job = useJob();
  const edit = useEdit();
  const set = <F extends keyof TeardownStep>(field: F, value: TeardownStep[F]): void =>
    edit([setIn("stripStep", step.id, field, value)]);
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-hair py-1">
        <Tick checked={step.hold} onChange={(v) => set("hold", v)}>
          heavy: hold by the last bolt
        </Tick>
        <Tick checked={step.paint} onChange={(v) => set("paint", v)}>
          painted: cover it
        </Tick>
      </div>
      <div className="flex flex-wrap items-center gap-2 py-1">
        <span className="text-small text-muted">
          catches, the way it moves
          <span className="block text-body text-ink">
            <TextInput
              label="Catches, and the way it moves"
              value={step.catches}
              className="w-72 max-w-full"
              onCommit={(v) => set("catches", v)}
            />
          </span>
        </span>
        <span className="text-small text-muted">
          forgotten on the way back
          <span className="block text-body text-ink">
            <TextInput
              label="What is forgotten on the way back"
              value={step.forget}
              className="w-72 max-w-full"
              onCommit={(v) => set("forget", v)}
            />
          </span>
        </span>
      </div>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1">
        <span className="inline-flex items-center gap-1">
          estimate
          <NumberInput
            label="Estimated time"
            unit="min"
            value={step.estimateMin}
            max={10000}
            className="w-14"
            onCommit={(v) => set("estimateMin", v)}
          />
        </span>
        <span className="inline-flex items-center gap-1">
          took
          <NumberInput
            label="Time it took"
            unit="min"
            value={step.tookMin}
            max={10000}
            className="w-14"
            onCommit={(v) => set("tookMin", v)}
          />
        </span>
        <RemoveButton what={step.name} onClick={() => edit(removeStep(job, step.id))} />
      </div>
    </>
  );
}
