import { useEffect, useRef, useState } from "react";
import { useForm } from "react-hook-form";
import { Link } from "react-router";
import { append, signedFor, type Gate, type OpenGate } from "@dragonet/core";
import { mint } from "../base/mint.ts";
import { momentText } from "../base/moment.ts";
import { useCanEdit, useCurrentUser } from "../base/session.ts";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { FormField } from "../ui/forms/FormField.tsx";
import { Modal } from "../ui/page/Modal.tsx";
import { RemoveButton } from "../ui/RemoveButton.tsx";
import { Section } from "../ui/page/Section.tsx";

/** Where each thing that is missing is mended. */
const WHERE: Readonly<Record<Gate, { readonly to: string; readonly words: string }>> = {
  tested: { to: "../prove", words: "Test it" },
  readings: { to: "../prove", words: "Look at the readings" },
  aimed: { to: "../aim", words: "Aim them" },
  stops: { to: "../circuit", words: "Look at the findings" },
  panels: { to: "../fit/strip", words: "Put them back" },
};

interface SignDialogProps {
  readonly gate: OpenGate | null;
  readonly onSign: (name: string, reason: string) => void;
  readonly onClose: () => void;
}

/** A name under something: with a reason where it goes out without. */
function SignDialog({ gate, onSign, onClose }: SignDialogProps) {
  const me = useCurrentUser();
  const { register, handleSubmit, formState } = useForm({
    defaultValues: { name: me.name, reason: "" },
  });
  const { errors } = formState;
  const submit = handleSubmit(({ name, reason }) => onSign(name.trim(), reason.trim()));
  return (
    <Modal
      open
      onClose={onClose}
      title={gate ? "Sign for it" : "Hand it over"}
      about={
        gate
          ? `${gate.text}. Who signs answers for it; name and reason stand on the owner’s sheet.`
          : "The name under the hand-over stands on the owner’s sheet."
      }
    >
      <form noValidate className="flex flex-col gap-3" onSubmit={(e) => void submit(e)}>
        {gate && (
          <FormField
            label="Reason"
            maxLength={1000}
            wrong={errors.reason?.message}
            {...register("reason", {
              validate: (text) => text.trim() !== "" || "Why does it go out so?",
            })}
          />
        )}
        <FormField
          label="Name"
          maxLength={120}
          autoComplete="name"
          wrong={errors.name?.message}
          {...register("name", { validate: (text) => text.trim() !== "" || "Who signs?" })}
        />
        <div className="flex justify-end gap-3">
          <Button onClick={onClose}>Not now</Button>
          <Button look="main" type="submit">
            Sign
          </Button>
        </div>
      </form>
    </Modal>
  );
}

function GateLine({ gate, onSign }: { gate: OpenGate; onSign: () => void }) {
  const edit = useEdit();
  const canEdit = useCanEdit();
  const { signed } = gate;
  const { to, words } = WHERE[gate.gate];
  return (
    <li className="flex flex-wrap items-baseline gap-x-4 gap-y-1 border-t border-hair py-2 first:border-t-0">
      <b className="min-w-48 flex-1">{gate.text}</b>
      {signed ? (
        <span>
          {signed.name}, {momentText(new Date(signed.at))}: {signed.reason}
        </span>
      ) : (
        <Link to={to} className="touch text-accent">
          {words}
        </Link>
      )}
      {canEdit && !signed && <Button onClick={onSign}>Sign for it</Button>}
      {canEdit && signed && (
        <RemoveButton
          what={`the signature of ${signed.name}`}
          onClick={() => edit([{ kind: "remove", entity: "signature", id: signed.id }])}
        />
      )}
    </li>
  );
}

/** What is missing before the vehicle goes, each to be mended or signed for, and the last signature. */
export function Gates({ gates }: { gates: readonly OpenGate[] }) {
  const job = useJob();
  const edit = useEdit();
  const canEdit = useCanEdit();
  const [signing, setSigning] = useState<OpenGate | "handOver" | null>(null);
  const list = useRef<HTMLDivElement>(null);
  const signatures = job.signatures.length;
  const before = useRef(signatures);
  useEffect(() => {
    // What was signed for has lost its button: the focus goes on from the list.
    if (signatures > before.current) list.current?.focus();
    before.current = signatures;
  }, [signatures]);
  const done = signedFor(job, "");
  const open = gates.filter((g) => g.signed === null).length;
  const sign = (name: string, reason: string): void => {
    const gate = signing === null || signing === "handOver" ? "" : signing.gate;
    edit([
      append(job, "signature", {
        ...{ id: mint("signature"), gate, name, reason },
        at: new Date().toISOString(),
      }),
    ]);
    setSigning(null);
  };
  return (
    <Section title="Before it goes">
      <div ref={list} tabIndex={-1} className="outline-none">
        {gates.length === 0 && <p>Tested, aimed and closed: nothing is missing.</p>}
        <ul>
          {gates.map((gate) => (
            <GateLine key={gate.gate} gate={gate} onSign={() => setSigning(gate)} />
          ))}
        </ul>
      </div>
      <div className="mt-2 flex flex-wrap items-baseline gap-x-4 gap-y-1 border-t border-hair pt-2">
        {done ? (
          <>
            <span>
              Handed over by <b>{done.name}</b>, {momentText(new Date(done.at))}
            </span>
            {canEdit && (
              <RemoveButton
                what="the hand-over"
                onClick={() => edit([{ kind: "remove", entity: "signature", id: done.id }])}
              />
            )}
          </>
        ) : (
          canEdit && (
            <>
              <Button look="main" disabled={open > 0} onClick={() => setSigning("handOver")}>
                Hand it over
              </Button>
              {open > 0 && (
                <span className="text-muted">
                  {open === 1 ? "one thing is" : `${open} things are`} to be mended or signed for
                  first
                </span>
              )}
            </>
          )
        )}
      </div>
      {signing !== null && (
        <SignDialog
          gate={signing === "handOver" ? null : signing}
          onSign={sign}
          onClose={() => setSigning(null)}
        />
      )}
    </Section>
  );
}
