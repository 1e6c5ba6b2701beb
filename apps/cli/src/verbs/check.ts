import { planJob, soundRemedies, span, type FindingGroup, type FoundAt } from "@dragonet/core";
import { printJson, type Verb } from "../world.ts";

function placeText({ place, figures }: FoundAt): string {
  const numbers = figures.map((x) => `${x.label} ${x.value} (${x.limit})`).join(", ");
  return `      ${place.words}${numbers === "" ? "" : `: ${numbers}`}\n`;
}

const causeText = (f: FindingGroup): string =>
  `${f.severity.toUpperCase()}  ${f.title}\n${f.places.map(placeText).join("")}      ${f.why}\n`;

export const check: Verb = ({ job, json, world }) => {
  const plan = planJob(job, "metric");
  if (json) {
    const { budget, choices, gaps, materials } = plan;
    const findings = soundRemedies(job, plan.causes, plan.findings);
    printJson(world, { findings, budget, choices, gaps, materials });
  } else {
    for (const b of plan.budget.running) {
      world.out(
        `${b.state}: ${span(b.spareA)} A to spare, ${span(b.baseSpareA)} A without these lamps, ${b.verdict}\n`,
      );
    }
    for (const cause of plan.causes) world.out(causeText(cause));
  }
  return plan.findings.some((f) => f.severity === "stop") ? 1 : 0;
};
