import { PLACES } from "@dragonet/core";
import { useCanEdit } from "../base/session.ts";
import { Choice } from "../ui/forms/Choice.tsx";
import { Section } from "../ui/page/Section.tsx";
import { SeverityMark } from "../ui/Severity.tsx";
import { useEdit, useJob } from "./store/jobStore.ts";
import { usePlan } from "./usePlan.ts";

/** Whose rules the job is held against, and what one of them finds. */
export function PlaceFindings({ rule }: { rule: string }) {
  const job = useJob();
  const edit = useEdit();
  const canEdit = useCanEdit();
  const found = (usePlan()?.findings ?? []).filter((f) => f.rule === rule);
  return (
    <Section title="Where it is ridden" about="Advisory, from memory: ask your inspector.">
      <Choice
        label="Rules of the place"
        value={job.practices.place}
        disabled={!canEdit}
        className="w-full max-w-96"
        options={[
          { value: "", label: "no place chosen" },
          ...PLACES.map((p) => ({ value: p.id, label: p.name })),
        ]}
        onChange={(value) =>
          edit([{ kind: "setOnce", entity: "practices", field: "place", value }])
        }
      />
      {found.map((f) => (
        <div key={`${f.title} ${f.place.words}`} className="border-t border-hair py-1">
          <p className="font-bold">
            <SeverityMark severity={f.severity} /> {f.title}
          </p>
          <p className="text-small">
            {f.place.words}: {f.figures.map((x) => `${x.value}, should be ${x.limit}`).join("; ")}.{" "}
            {f.why}
          </p>
        </div>
      ))}
      {job.practices.place !== "" && found.length === 0 && (
        <p className="border-t border-hair py-1 text-small">Nothing here that it asks otherwise.</p>
      )}
    </Section>
  );
}
