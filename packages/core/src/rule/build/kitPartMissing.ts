import type { Rule } from "../finding.ts";

export const kitPartMissing: Rule = {
  id: "kit-part-missing",
  source: "common practice: unbox the kit and check it before the first panel comes off",
  check: ({ job }) =>
    job.kit
      .filter((item) => item.inBox < item.needed)
      .map((item) => ({
        rule: "kit-part-missing",
        severity: "fix" as const,
        place: { runId: null, elementId: null, words: `Kit: ${item.name}` },
        title: `${item.name} missing from the kit`,
        figures: [{ label: "in the box", value: String(item.inBox), limit: String(item.needed) }],
        why: "A part that is not there stops the job when the panels are off.",
        remedies: [
          {
            label: "It is here now",
            edits: [
              { kind: "set", entity: "kitItem", id: item.id, field: "inBox", value: item.needed },
            ],
          },
        ],
      })),
};
