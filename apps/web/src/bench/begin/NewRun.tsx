import { Tabs } from "radix-ui";
import { useState } from "react";
import {
  addLamps,
  allOf,
  append,
  applyEdits,
  asId,
  createRun,
  firstFeed,
  type Condition,
  type Feed,
  type Job,
  type LoadPart,
  type RunId,
  type Edit,
} from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { isLoad, useParts } from "../../shelf/parts.ts";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/forms/Choice.tsx";
import { Modal } from "../../ui/page/Modal.tsx";
import { NumberInput, TextInput } from "../../ui/forms/TextInput.tsx";
import { FeedChoice } from "../fields/FeedChoice.tsx";
import { ConditionField } from "../fields/ConditionField.tsx";
import { PlugInModule } from "./PlugInModule.tsx";
import { ReplaceLamp } from "./ReplaceLamp.tsx";
import { UnboxKit } from "./UnboxKit.tsx";

interface NewRunProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly onMade: (runId: RunId) => void;
}

interface Wanted {
  readonly part: LoadPart;
  readonly count: number;
  readonly end: "front" | "rear";
  readonly name: string;
  readonly condition: Condition;
  readonly feed: Feed;
}

/** The edits that make a run with its lamps, in the order that applies. */
function runEdits(job: Job, w: Wanted): { readonly edits: Edit[]; readonly runId: RunId } {
  const runId = asId<RunId>(mint("run"));
  const run = { ...createRun(runId, w.name, job.vehicle, w.end, w.condition), feed: w.feed };
  const first = append(job, "run", run);
  const withRun = applyEdits(job, [first]);
  const then = withRun.ok ? withRun.job : job;
  return {
    runId,
    edits: [first, ...addLamps(then, run, w.part, w.count, w.end, () => mint("lamp"))],
  };
}

const TABS = [
  { value: "lamps", label: "Add lamps", Form: AddedLamps },
  { value: "replace", label: "Replace a lamp", Form: ReplaceLamp },
  { value: "module", label: "Plug in a module", Form: PlugInModule },
  { value: "kit", label: "Unbox a kit", Form: UnboxKit },
] as const;

/** What a job begins with: lamps added or replaced, a module plugged in, a kit unboxed. */
export function NewRun({ open, onClose, onMade }: NewRunProps) {
  return (
    <Modal open={open} onClose={onClose} title="New run">
      <Tabs.Root defaultValue="lamps">
        <Tabs.List
          aria-label="What to begin with"
          className="mb-4 flex flex-wrap gap-x-4 gap-y-1 border-b border-hair"
        >
          {TABS.map(({ value, label }) => (
            <Tabs.Trigger
              key={value}
              value={value}
              className="touch -mb-px border-b-2 border-transparent pb-1 data-[state=active]:border-accent data-[state=active]:font-bold"
            >
              {label}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {TABS.map(({ value, Form }) => (
          <Tabs.Content key={value} value={value}>
            <Form onClose={onClose} onMade={onMade} />
          </Tabs.Content>
        ))}
      </Tabs.Root>
    </Modal>
  );
}

/** A new circuit: lamps from the shelf, how many, where, and what turns them on. */
function AddedLamps({ onClose, onMade }: Omit<NewRunProps, "open">) {
  const job = useJob();
  const edit = useEdit();
  const { data: parts } = useParts();
  const loads = (parts ?? []).map((kept) => kept.value).filter(isLoad);
  const [partId, setPartId] = useState("");
  const [count, setCount] = useState(1);
  const [end, setEnd] = useState<"front" | "rear">("front");
  const [name, setName] = useState("");
  const [condition, setCondition] = useState<Condition>(allOf("switch", "key"));
  const [chosenFeed, setFeed] = useState<Feed | null>(null);
  const [supply] = job.supplies;
  const usual: Feed =
    job.vehicle.system.kind === "pack" && supply
      ? { kind: "supply", supplyId: supply.id }
      : firstFeed(job.vehicle);
  const feed = chosenFeed ?? usual;
  const part = loads.find((p) => p.id === partId) ?? loads[0];

  const make = (): void => {
    if (!part) return;
    const { edits, runId } = runEdits(job, {
      part,
      count,
      end,
      condition,
      feed,
      name: name === "" ? (count === 1 ? part.name : `${count} × ${part.name}`) : name,
    });
    edit(edits);
    onMade(runId);
    setName("");
    setCount(1);
    onClose();
  };

  return (
    <>
      {part ? (
        <div className="flex flex-col gap-4">
          <div className="flex flex-wrap items-center gap-3">
            <NumberInput
              label="How many"
              value={count}
              min={1}
              max={50}
              className="w-14"
              onCommit={(n) => setCount(Math.round(n))}
            />
            <Choice
              label="Part from the shelf"
              value={part.id}
              className="w-64"
              options={loads.map((p) => ({ value: p.id, label: p.name }))}
              onChange={setPartId}
            />
            <Choice
              label="Which end"
              value={end}
              className="w-28"
              options={[
                { value: "front", label: "at the front" },
                { value: "rear", label: "at the rear" },
              ]}
              onChange={setEnd}
            />
          </div>
          <div className="flex flex-wrap items-center gap-3">
            <span className="font-bold">Fed from</span>
            <FeedChoice job={job} feed={feed} onChange={setFeed} />
          </div>
          <div>
            <p className="mb-1 font-bold">On with all of</p>
            <ConditionField condition={condition} onChange={setCondition} />
          </div>
          <div className="flex flex-wrap items-center gap-3">
            <span className="font-bold">Name</span>
            <TextInput
              label="Name of the new run"
              value={name}
              placeholder={part.name}
              className="w-64"
              maxLength={120}
              onCommit={setName}
            />
          </div>
          <div>
            <Button look="main" onClick={make}>
              Add run
            </Button>
          </div>
        </div>
      ) : (
        <p>The shelf is empty: put lamps on it first, by hand or from a CSV file.</p>
      )}
    </>
  );
}
