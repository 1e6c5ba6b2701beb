import { inputWord, programOf, type Input } from "../../job/index.ts";
import type { Found, Rule } from "../finding.ts";

/** Signals that are held by hand as long as they are wanted. */
const HELD: ReadonlySet<Input> = new Set(["horn", "brake", "lever", "pedal"]);

/** A switch that springs back lets go of what should stay on, unless its channel latches. */
export const momentaryHolds: Rule = {
  id: "momentary-holds",
  source: "common practice",
  check: ({ job }) =>
    job.controls
      .filter((control) => control.momentary)
      .flatMap((control) =>
        job.runs.flatMap((run): Found[] => {
          const input = run.condition.anyOf
            .flat()
            .find((t) => !t.negated && control.inputs.includes(t.input) && !HELD.has(t.input));
          if (!input || programOf(job, run)?.latch) return [];
          return [
            {
              rule: "momentary-holds",
              severity: "fix",
              place: { runId: run.id, elementId: null, words: `${run.name}: ${control.name}` },
              title: `Goes out when ${control.name} is let go`,
              figures: [
                {
                  label: inputWord(input.input),
                  value: "springs back",
                  limit: "stays, or latches",
                },
              ],
              why: "A switch that springs back works a horn. For a lamp take one that stays, or a channel set to latch.",
              remedies: [
                {
                  label: `${control.name} stays where it is put`,
                  edits: [
                    {
                      ...{ kind: "set", entity: "control", id: control.id },
                      ...{ field: "momentary", value: false },
                    },
                  ],
                },
              ],
            },
          ];
        }),
      ),
};
