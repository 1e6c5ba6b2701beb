import { decimal } from "../quantity/index.ts";
import { seenByVehicle } from "../signal/index.ts";
import type { Found, Rule } from "./finding.ts";

/** What the vehicle's own flasher or monitor makes of lamps that draw less than those before. */
export const monitorSees: Rule = {
  id: "monitor-sees",
  source: "common practice",
  check: ({ job, circuit }) => {
    if (!job.lamps.some((lamp) => lamp.replaces !== "")) return [];
    return seenByVehicle(job, circuit)
      .filter(({ verdict, wasA }) => verdict === "missed" && wasA > 0)
      .map((seen): Found => ({
        rule: "monitor-sees",
        severity: "fix",
        place: { runId: null, elementId: null, words: seen.carries },
        title: "The vehicle takes it for a dead bulb",
        figures: [
          {
            label: "on its wire",
            value: `${decimal(seen.nowA, 2)} A, ${decimal(seen.wasA, 2)} A before`,
            limit: `at least ${decimal(seen.leastA, 2)} A`,
          },
        ],
        why: "A turn lamp flashes at double rate or not at all, a monitored one is reported. A flasher for any load, an equaliser module on each side, or a load resistor away from plastic mends it.",
        remedies: [],
      }));
  },
};
