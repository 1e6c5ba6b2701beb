import {
  boxOf,
  channelOf,
  channelSupply,
  setCircuit,
  wayRatingA,
  decimal,
  type LightingCircuit,
} from "@dragonet/core";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { BehaviourFields } from "../../shelf/fields/BehaviourFields.tsx";
import { Choice } from "../../ui/forms/Choice.tsx";

/** The channel that a circuit takes, the module it goes through, and what that is set to here. */
export function ChannelFields({ run }: { run: LightingCircuit }) {
  const job = useJob();
  const edit = useEdit();
  const set = <F extends keyof LightingCircuit>(field: F, value: LightingCircuit[F]): void =>
    edit([setCircuit(run.id, field, value)]);
  const modules = job.supplies.filter((s) => boxOf(job, s.id)?.form === "plugIn");
  const box = boxOf(job, channelSupply(run));
  const planned = channelOf(job, run);
  return (
    <div className="flex flex-col gap-2 py-1">
      {modules.length > 0 && (
        <Choice
          label="Module that it goes through"
          value={run.throughId}
          className="w-full"
          options={[
            { value: "", label: "through no module" },
            ...modules.map((s) => ({ value: s.id, label: `through ${s.name}` })),
          ]}
          onChange={(id) => set("throughId", modules.find((s) => s.id === id)?.id ?? "")}
        />
      )}
      {box ? (
        <Choice
          label="Channel"
          value={String(run.channel)}
          className="w-full"
          options={[
            { value: "0", label: `next free channel (now ${planned})` },
            ...Array.from({ length: box.ways }, (_, i) => ({
              value: String(i + 1),
              label: `channel ${i + 1}, ${decimal(wayRatingA(box, i + 1))} A`,
            })),
          ]}
          onChange={(n) => set("channel", Number(n))}
        />
      ) : (
        <p className="text-small text-muted">
          On no box or module: feed it from one, or plug one in, and its channel is chosen here.
        </p>
      )}
      {box && box.form !== "fuseBlock" && (
        <>
          <p className="text-small text-muted">
            {run.program
              ? "Set in this job:"
              : "As the part comes. Set it here where this job wants it otherwise: level, flashes, and what they hang on."}
          </p>
          <BehaviourFields
            behaviours={run.program ? [run.program] : []}
            most={1}
            onChange={([program]) => set("program", program ?? null)}
          />
        </>
      )}
    </div>
  );
}
