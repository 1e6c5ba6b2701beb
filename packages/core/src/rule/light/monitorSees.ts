import { decimal } from "../../quantity/index.ts";
import { seenByVehicle } from "../../signal/index.ts";
import type { Found, Rule } from "../finding.ts";

/** What the vehicle's own flasher or monitor makes of lamps that draw less than those before. */
export const monitorSees: Rule = {
  id: "monitor-sees",
  source: "common practice",
  check: ({ job, circuit }) => {
    if (!job.lamps.some((lamp) => lamp.replaces !== "")) return [];
    // What watches the turn lamps is their flasher: another rule tells what it makes of them.
    const turns = new Set(
      job.vehicle.pins
        .filter((p) => p.liveWhen === "left" || p.liveWhen === "right")
        .map((p) => p.id),
    );
    return seenByVehicle(job, circuit)
      .filter(({ pinId }) => !turns.has(pinId))
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
        why: "A monitored lamp is reported as dead, or its wire is switched off. An equaliser module, or a load resistor on metal away from plastic, mends it.",
        remedies: [],
      }));
  },
};
