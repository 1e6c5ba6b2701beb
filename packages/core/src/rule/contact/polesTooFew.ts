import { inputWord, setKitSwitch, ownerName } from "../../job/index.ts";
import { ownerOf, circuitsOnSwitch } from "../../synthesis/index.ts";
import type { Rule } from "../finding.ts";

/** A control with fewer poles than runs ties their feeds together, pressed or not. */
export const polesTooFew: Rule = {
  id: "poles-too-few",
  source: "common practice: hazards through a double-pole switch",
  check: ({ job, circuit }) =>
    job.controls.flatMap((control) => {
      const tied = control.inputs.flatMap((input) => {
        const runs = circuitsOnSwitch(circuit, control, input);
        return runs.length > control.poles ? [{ input, runs }] : [];
      });
      const [first] = tied;
      if (!first) return [];
      const all = first.runs.map((id) => ownerName(job, id));
      const names = [all.slice(0, -1).join(", "), all.at(-1)].join(" and ");
      return [
        {
          rule: "poles-too-few",
          severity: "stop" as const,
          place: {
            runId: ownerOf(control.id),
            elementId: null,
            words: `${control.name}, ${inputWord(first.input)}`,
          },
          title: `${control.name} ties ${names} together`,
          figures: [
            {
              label: "poles",
              value: String(control.poles),
              limit: `${first.runs.length}, one a circuit`,
            },
          ],
          why: "On one pole their feeds meet behind the switch: what turns one on turns the other on too. A double-pole switch keeps them apart.",
          remedies: [
            {
              label: `Fit a switch with ${first.runs.length} poles`,
              edits: [setKitSwitch(control.id, "poles", first.runs.length)],
            },
          ],
        },
      ];
    }),
};
