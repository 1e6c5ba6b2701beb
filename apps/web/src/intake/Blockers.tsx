import { Plus } from "lucide-react";
import { BLOCKER_KINDS, append, type Blocker } from "@dragonet/core";
import { mint } from "../base/mint.ts";
import { useCanEdit } from "../base/session.ts";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/forms/Choice.tsx";
import { RemoveButton } from "../ui/RemoveButton.tsx";
import { Section } from "../ui/page/Section.tsx";
import { TextInput } from "../ui/forms/TextInput.tsx";

const KIND_WORDS: Readonly<Record<Blocker["kind"], string>> = {
  part: "part",
  cold: "too cold",
  dark: "waits for dark",
  customer: "customer",
  measure: "to measure",
  other: "other",
};

/** What it waits for of this job: shown on the board until it is taken off. */
export function Blockers() {
  const job = useJob();
  const edit = useEdit();
  const canEdit = useCanEdit();
  return (
    <Section
      title="Waiting for"
      action={
        <Button
          look="quiet"
          onPressed={() =>
            edit([append(job, "blocker", { id: mint("blocker"), kind: "part", text: "" })])
          }
        >
          <Plus size={15} aria-hidden /> Wait
        </Button>
      }
    >
      {job.blockers.length === 0 && <p className="text-muted">Nothing.</p>}
      <ul>
        {job.blockers.map((blocker) => (
          <li key={blocker.id} className="flex items-center gap-2 border-b border-hair py-1">
            <Choice<Blocker["kind"]>
              label="Kind of blocker"
              value={blocker.kind}
              disabled={!canEdit}
              className="w-36"
              options={BLOCKER_KINDS.map((value) => ({ value, label: KIND_WORDS[value] }))}
              onChange={(value) =>
                edit([{ kind: "set", entity: "blocker", id: blocker.id, field: "kind", value }])
              }
            />
            <span className="flex-1 *:w-full">
              <TextInput
                label="What it waits for"
                value={blocker.text}
                className="w-full"
                onCommit={(value) =>
                  edit([{ kind: "set", entity: "blocker", id: blocker.id, field: "text", value }])
                }
              />
            </span>
            <RemoveButton
              what="blocker"
              onClick={() => edit([{ kind: "remove", entity: "blocker", id: blocker.id }])}
            />
          </li>
        ))}
      </ul>
    </Section>
  );
}
