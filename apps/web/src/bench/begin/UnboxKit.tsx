import { useMutation } from "@tanstack/react-query";
import { useForm } from "react-hook-form";
import { toast } from "sonner";
import { asId, contentOf, unbox, type KitPart, type Part, type PartId } from "@dragonet/core";
import { ask } from "../../base/api.ts";
import { mint } from "../../base/mint.ts";
import { useJob } from "../../job/store/jobStore.ts";
import { PartPick } from "../../shelf/PartPick.tsx";
import { KITS, usePartChoices, useShelfChanged } from "../../shelf/parts.ts";
import { Button } from "../../ui/Button.tsx";
import { chosenOf } from "../../ui/forms/controlled.tsx";
import { useBegin, type BeginProps } from "./useBegin.ts";

const isKit = (part: Part): part is KitPart => part.kind === "kit";

/** The circuits of this job as a kit on the shelf, with its kit list as what is in the box. */
function KeepAsKit() {
  const job = useJob();
  const shelfChanged = useShelfChanged();
  const { register, handleSubmit, reset, watch } = useForm({ defaultValues: { name: "" } });
  const keep = useMutation({
    mutationFn: (name: string) => {
      const id = asId<PartId>(mint("kit"));
      const kit: KitPart = {
        ...{ id, kind: "kit", name, note: "", price: 0, stock: 1, ingress: "", ratedV: 0 },
        items: job.kit.map((item) => ({ name: item.name, count: item.needed })),
        content: contentOf(job),
      };
      return ask(`parts/${id}`, "PUT", { value: kit, revision: 0 });
    },
    onSuccess: async (_, name) => {
      toast.success(`${name} is on the shelf`);
      reset();
      await shelfChanged();
    },
  });
  if (job.runs.length === 0) return null;
  return (
    <div className="mt-4 border-t border-hair pt-3">
      <p className="mb-1 text-small text-muted">
        Or keep the circuits of this job as a kit, bare of this vehicle’s own wires.
      </p>
      <form
        className="flex flex-wrap items-center gap-3"
        noValidate
        onSubmit={(e) => void handleSubmit(({ name }) => keep.mutate(name.trim()))(e)}
      >
        <input
          aria-label="Name of the kit"
          placeholder="Name of the kit"
          className="control w-72"
          maxLength={120}
          {...register("name", { validate: (name) => name.trim() !== "" })}
        />
        <Button type="submit" disabled={watch("name").trim() === "" || keep.isPending}>
          Keep as a kit
        </Button>
      </form>
      {keep.error && (
        <p role="alert" className="mt-2 font-bold">
          {keep.error.message}
        </p>
      )}
    </div>
  );
}

/** A kit as it comes: its list for the check, its circuits, controls, harnesses, in one press. */
export function UnboxKit(props: BeginProps) {
  const job = useJob();
  const begin = useBegin(props);
  const { control, watch, handleSubmit } = useForm({ defaultValues: { kitId: "" } });
  const choices = usePartChoices(KITS, isKit, watch("kitId"));
  const kit = chosenOf(choices.parts, watch("kitId"));
  const make = handleSubmit(() => {
    if (kit) begin(unbox(job, kit, () => mint("kit")));
  });
  return (
    <>
      {kit ? (
        <div className="flex flex-col gap-3">
          <form
            className="flex flex-wrap items-center gap-3"
            noValidate
            onSubmit={(e) => void make(e)}
          >
            <PartPick
              {...{ control, name: "kitId", label: "Kit to unbox", className: "w-80" }}
              choices={choices}
            />
            <Button look="main" type="submit">
              Unbox
            </Button>
          </form>
          <p className="text-small">
            {kit.content.runs.length} circuits, {kit.content.lamps.length} lights,{" "}
            {kit.content.controls.length} controls, {kit.content.supplies.length} that feed,{" "}
            {kit.content.harnesses.length} harnesses.
          </p>
          <ul className="columns-2 text-small text-muted">
            {kit.items.map((item) => (
              <li key={item.name}>
                <span className="num">{item.count}</span> × {item.name}
              </li>
            ))}
          </ul>
        </div>
      ) : (
        <p>No kit is on the shelf yet.</p>
      )}
      <KeepAsKit />
    </>
  );
}
