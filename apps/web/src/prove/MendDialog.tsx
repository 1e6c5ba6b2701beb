import { useCallback } from "react";
import { useForm } from "react-hook-form";
import { append, type Edit, type Job, type Mend, type MendPlan } from "@dragonet/core";
import { mint } from "../base/mint.ts";
import { useCurrentUser } from "../base/session.ts";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { useOfJob } from "../job/useOfJob.ts";
import { Button } from "../ui/Button.tsx";
import { FormField, LongField } from "../ui/forms/FormField.tsx";
import { Modal } from "../ui/page/Modal.tsx";
import { Loading } from "../ui/page/states.tsx";
import { planner } from "../worker/port/planner.ts";
import type { ShownSuspect } from "../worker/proving.ts";

const MOST_MINUTES = 6000;

/** A number of minutes as it was typed; null where it is none. */
function minutesOf(text: string): number | null {
  const number = Number(text.replace(",", "."));
  return text.trim() !== "" && number >= 0 && number <= MOST_MINUTES ? number : null;
}

function MendForm({ plan, onClose }: { plan: MendPlan; onClose: () => void }) {
  const job = useJob();
  const edit = useEdit();
  const { name } = useCurrentUser();
  const { register, handleSubmit, formState } = useForm({
    defaultValues: { done: plan.done, minutes: String(plan.minutes) },
  });
  const submit = handleSubmit(({ done, minutes }) => {
    const taken = minutesOf(minutes) ?? 0;
    const when = new Date().toISOString();
    const mend: Mend = {
      ...{ id: mint("mend"), what: plan.what, done: done.trim(), at: plan.at },
      ...{ partId: plan.partId, minutes: taken, again: plan.again, by: name, when },
    };
    const time: Edit[] =
      taken > 0
        ? [
            append(job, "worked", {
              ...{ id: mint("worked"), task: "wire", minutes: taken, by: name, at: when },
            }),
          ]
        : [];
    edit([append(job, "mend", mend), ...time]);
    onClose();
  });
  return (
    <form noValidate className="flex flex-col gap-3" onSubmit={(e) => void submit(e)}>
      {plan.takes.length > 0 && (
        <div>
          <b>Take:</b>
          <ul className="list-disc pl-5">
            {plan.takes.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </div>
      )}
      <LongField
        label="Done"
        autoFocus
        maxLength={500}
        wrong={formState.errors.done?.message}
        {...register("done", { validate: (text) => text.trim() !== "" || "What was done?" })}
      />
      <FormField
        label="Minutes"
        inputMode="decimal"
        wrong={formState.errors.minutes?.message}
        {...register("minutes", {
          validate: (text) => minutesOf(text) !== null || `0 to ${MOST_MINUTES} minutes`,
        })}
      />
      <p className="text-small text-muted">
        {plan.again.length === 0
          ? "No step read so far was moved by it."
          : `${plan.again.length === 1 ? "One step is" : `${plan.again.length} steps are`} to be read again after it. The time goes to the wiring.`}
      </p>
      <div className="flex justify-end gap-3">
        <Button onClick={onClose}>Not now</Button>
        <Button look="main" type="submit">
          Mended
        </Button>
      </div>
    </form>
  );
}

/** How a suspect is put right: what it takes, what was done, how long, and what is then read again. */
export function MendDialog({ suspect, onClose }: { suspect: ShownSuspect; onClose: () => void }) {
  const { units } = useCurrentUser().preferences;
  const plan = useOfJob<{ readonly plan: MendPlan | null }>(
    useCallback(
      async (job: Job) => ({ plan: await planner().mending(job, suspect.id, units) }),
      [suspect.id, units],
    ),
  );
  return (
    <Modal open onClose={onClose} title="Mend it" about={suspect.words}>
      {!plan ? (
        <Loading what="what it takes" />
      ) : plan.plan ? (
        <MendForm plan={plan.plan} onClose={onClose} />
      ) : (
        <p>It is no suspect any more: the readings say otherwise by now.</p>
      )}
    </Modal>
  );
}
