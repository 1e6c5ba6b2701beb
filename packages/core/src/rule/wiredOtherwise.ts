import type { Deviation } from "../job/index.ts";
import type { Rule } from "./finding.ts";

const TITLES: Readonly<Record<Deviation["kind"], string>> = {
  lampsSwapped: "Lamps on each other's feed",
  joined: "Feeds tied together",
  thinSharedReturn: "One thin return for two runs",
};

const WHY: Readonly<Record<Deviation["kind"], string>> = {
  lampsSwapped: "Left shows right, or tail shows brake: whoever follows is told the wrong thing.",
  joined:
    "What turns one on turns the other on too. Hazards want a double-pole switch, so that the sides stay apart when they are off.",
  thinSharedReturn:
    "Each run's current drops volts for the other: the brake lamp weakens when the work lamps are on.",
};

/** A wiring that is known to differ from the plan; the proof shows what it does. */
export const wiredOtherwise: Rule = {
  id: "wired-otherwise",
  source: "common practice",
  check: ({ job }) =>
    job.deviations.map((d) => {
      const name = (id: string): string => job.runs.find((r) => r.id === id)?.name ?? id;
      return {
        rule: "wired-otherwise",
        severity: "stop" as const,
        place: {
          runId: d.runId,
          elementId: null,
          words: `${name(d.runId)} and ${name(d.otherRunId)}`,
        },
        title: TITLES[d.kind],
        figures: [],
        why: WHY[d.kind],
        remedies: [
          {
            label: "Wire it as planned",
            edits: [{ kind: "remove", entity: "deviation", id: d.id }],
          },
        ],
      };
    }),
};
