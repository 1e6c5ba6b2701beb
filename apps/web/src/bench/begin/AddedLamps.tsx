import { Controller, useForm } from "react-hook-form";
import {
  addLamps,
  allOf,
  append,
  applyEdits,
  asId,
  createCircuit,
  firstFeed,
  type Condition,
  type Edit,
  type Feed,
  type Job,
  type LoadPart,
  type CircuitId,
} from "@dragonet/core";
import { mint } from "../../base/mint.ts";
import { useJob } from "../../job/store/jobStore.ts";
import { PartPick } from "../../shelf/PartPick.tsx";
import { LOADS, isLoad, usePartChoices } from "../../shelf/parts.ts";
import { Button } from "../../ui/Button.tsx";
import { CountField, PickField, chosenOf } from "../../ui/forms/controlled.tsx";
import { ConditionField } from "../fields/ConditionField.tsx";
import { FeedChoice } from "../fields/FeedChoice.tsx";
import { useBegin, type BeginProps } from "./useBegin.ts";

interface Asked {
  readonly count: number;
  readonly partId: string;
  readonly end: "front" | "rear";
  readonly feed: Feed;
  readonly condition: Condition;
  readonly name: string;
}

/** The edits that make a run with its lamps, in the order that applies. */
function runEdits(job: Job, part: LoadPart, asked: Asked): readonly Edit[] {
  const { count, end, condition, feed } = asked;
  const usual = count === 1 ? part.name : `${count} × ${part.name}`;
  const name = asked.name.trim() || usual;
  const runId = asId<CircuitId>(mint("run"));
  const run = { ...createCircuit(runId, name, job.vehicle, end, condition), feed };
  const first = append(job, "run", run);
  const withRun = applyEdits(job, [first]);
  const then = withRun.ok ? withRun.job : job;
  return [first, ...addLamps(then, run, part, count, end, () => mint("lamp"))];
}

/** On a pack what feeds already, on others the vehicle's own first source. */
const usualFeed = ({ vehicle, supplies: [supply] }: Job): Feed =>
  vehicle.system.kind === "pack" && supply
    ? { kind: "supply", supplyId: supply.id }
    : firstFeed(vehicle);

const ENDS = [
  { value: "front", label: "at the front" },
  { value: "rear", label: "at the rear" },
];

/** A new circuit: lamps from the shelf, how many, where, and what turns them on. */
export function AddedLamps(props: BeginProps) {
  const job = useJob();
  const begin = useBegin(props);
  const { control, watch, register, handleSubmit } = useForm<Asked>({
    defaultValues: {
      ...{ count: 1, partId: "", end: "front", name: "" },
      ...{ feed: usualFeed(job), condition: allOf("switch", "key") },
    },
  });
  const choices = usePartChoices(LOADS, isLoad, watch("partId"));
  const part = chosenOf(choices.parts, watch("partId"));
  if (!part) {
    return <p>The shelf is empty: put lamps on it first, by hand or from a CSV file.</p>;
  }
  const make = handleSubmit((asked) => begin(runEdits(job, part, asked)));
  return (
    <form className="flex flex-col gap-4" noValidate onSubmit={(e) => void make(e)}>
      <div className="flex flex-wrap items-center gap-3">
        <CountField
          {...{ control, name: "count", label: "How many", min: 1, max: 50, className: "w-14" }}
        />
        <PartPick
          {...{ control, name: "partId", label: "Part from the shelf", className: "w-64" }}
          choices={choices}
        />
        <PickField
          {...{ control, name: "end", label: "Which end", className: "w-28" }}
          options={ENDS}
        />
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <span className="font-bold">Fed from</span>
        <Controller
          control={control}
          name="feed"
          render={({ field }) => (
            <FeedChoice job={job} feed={field.value} onChange={field.onChange} />
          )}
        />
      </div>
      <div>
        <p className="mb-1 font-bold">Lights when</p>
        <Controller
          control={control}
          name="condition"
          render={({ field }) => (
            <ConditionField condition={field.value} onChange={field.onChange} />
          )}
        />
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <span className="font-bold">Name</span>
        <input
          aria-label="Name of the new circuit"
          placeholder={part.name}
          className="control w-64"
          maxLength={120}
          {...register("name")}
        />
      </div>
      <div>
        <Button look="main" type="submit">
          Add circuit
        </Button>
      </div>
    </form>
  );
}
