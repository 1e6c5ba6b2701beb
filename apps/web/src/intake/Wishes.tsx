import { Plus } from "lucide-react";
import { PURPOSES, append, type Wish } from "@dragonet/core";
import { mint } from "../base/mint.ts";
import { useCanEdit } from "../base/session.ts";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/forms/Choice.tsx";
import { RemoveButton } from "../ui/RemoveButton.tsx";
import { Section } from "../ui/page/Section.tsx";
import { TextInput } from "../ui/forms/TextInput.tsx";

const PURPOSE_WORDS: Readonly<Record<Wish["purpose"], string>> = {
  seeFurther: "see further",
  beSeen: "be seen",
  beSeenBraking: "be seen braking",
  beLegal: "be legal",
  other: "other",
};

/** What the owner asked for, in the owner's words, and what it is for. */
export function Wishes() {
  const job = useJob();
  const edit = useEdit();
  const canEdit = useCanEdit();
  return (
    <Section
      title="Wanted"
      action={
        <Button
          look="quiet"
          onPressed={() =>
            edit([append(job, "wish", { id: mint("wish"), purpose: "seeFurther", text: "" })])
          }
        >
          <Plus size={15} aria-hidden /> Wish
        </Button>
      }
    >
      {job.wishes.length === 0 && (
        <p className="text-muted">What should light, when, and who must see it?</p>
      )}
      <ul>
        {job.wishes.map((wish) => (
          <li key={wish.id} className="flex items-center gap-2 border-b border-hair py-1">
            <Choice<Wish["purpose"]>
              label="Purpose"
              value={wish.purpose}
              disabled={!canEdit}
              className="w-36"
              options={PURPOSES.map((value) => ({ value, label: PURPOSE_WORDS[value] }))}
              onChange={(value) =>
                edit([{ kind: "set", entity: "wish", id: wish.id, field: "purpose", value }])
              }
            />
            <span className="flex-1 *:w-full">
              <TextInput
                label="Wish"
                value={wish.text}
                lines={1}
                className="w-full"
                onCommit={(value) =>
                  edit([{ kind: "set", entity: "wish", id: wish.id, field: "text", value }])
                }
              />
            </span>
            <RemoveButton
              what="wish"
              onClick={() => edit([{ kind: "remove", entity: "wish", id: wish.id }])}
            />
          </li>
        ))}
      </ul>
    </Section>
  );
}
