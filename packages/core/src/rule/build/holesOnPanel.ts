import { patternOf } from "../../fit/index.ts";
import type { Found, Rule } from "../finding.ts";

/** Holes off their panel, or too near its edge. */
export const holesOnPanel: Rule = {
  id: "holes-on-panel",
  source: "common practice: half a diameter of material beside a hole",
  check: ({ job }) =>
    job.templates.flatMap((template) =>
      patternOf(job, template).faults.map((fault): Found => ({
        rule: "holes-on-panel",
        severity: fault.severe ? "stop" : "note",
        place: {
          runId: null,
          elementId: null,
          words: `${template.name}: ${fault.hole.name}`,
        },
        title: fault.severe ? "A hole that cannot be drilled so" : "A hole near the edge",
        figures: [],
        why: `${fault.hole.name} is ${fault.words}.`,
        remedies: [],
      })),
    ),
};
