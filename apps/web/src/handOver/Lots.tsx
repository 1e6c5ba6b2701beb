import { useForm } from "react-hook-form";
import { asId, append, piecesOf, type PartId, itemAt } from "@dragonet/core";
import { mint } from "../base/mint.ts";
import { useCanEdit } from "../base/session.ts";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { FormField } from "../ui/forms/FormField.tsx";
import { CountField, PickField, namedOptions } from "../ui/forms/controlled.tsx";
import { RemoveButton } from "../ui/RemoveButton.tsx";
import { Section } from "../ui/page/Section.tsx";

/** Lots of parts that went in, as their boxes say: what a maker calls parts back by. */
export function Lots() {
  const job = useJob();
  const edit = useEdit();
  const canEdit = useCanEdit();
  const held = piecesOf(job);
  const { register, control, handleSubmit, reset, formState } = useForm({
    // None said: as many as the job takes.
    defaultValues: { partId: "", lot: "", count: 0 },
  });
  if (held.length === 0) return null;
  const submit = handleSubmit(({ partId, lot, count }) => {
    const one = held.find(({ part }) => part.id === partId) ?? itemAt(held, 0);
    edit([
      append(job, "lot", {
        ...{ id: mint("lot"), partId: asId<PartId>(one.part.id), lot: lot.trim() },
        count: count > 0 ? count : one.pieces,
      }),
    ]);
    reset({ partId, lot: "", count: 0 });
  });
  return (
    <Section
      title="Lots"
      about="Lot or serial numbers off the boxes. Where a maker calls a lot back, the shelf tells whose vehicles have it."
    >
      <ul aria-label="Lots that went in">
        {job.lots.map(({ id, partId, lot: number, count: pieces }) => {
          const name = job.parts.find((part) => part.id === partId)?.name ?? "a part";
          return (
            <li key={id} className="flex items-baseline gap-3 border-t border-hair py-1">
              <span className="flex-1">
                <span className="num">{pieces} ×</span> {name}, lot <b className="num">{number}</b>
              </span>
              {canEdit && (
                <RemoveButton
                  what={`lot ${number} of ${name}`}
                  onClick={() => edit([{ kind: "remove", entity: "lot", id }])}
                />
              )}
            </li>
          );
        })}
      </ul>
      {canEdit && (
        <form
          noValidate
          aria-label="A lot that went in"
          className="mt-2 flex flex-wrap items-end gap-x-4 gap-y-2"
          onSubmit={(e) => void submit(e)}
        >
          <PickField
            control={control}
            name="partId"
            label="Part with this lot"
            className="w-60"
            options={namedOptions(held.map(({ part }) => part))}
          />
          <FormField
            label="Lot or serial number"
            maxLength={80}
            wrong={formState.errors.lot?.message}
            {...register("lot", { validate: (said) => said.trim() !== "" || "Which lot?" })}
          />
          <CountField
            control={control}
            name="count"
            label="Pieces of this lot, 0 for all that the job takes"
            unit="pieces, 0: all of them"
            max={10_000}
          />
          <Button type="submit">Add the lot</Button>
        </form>
      )}
    </Section>
  );
}
