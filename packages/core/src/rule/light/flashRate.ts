import { decimal } from "../../quantity/index.ts";
import { sideFlashes, type SideFlash } from "../../signal/index.ts";
import type { Found, Rule } from "../finding.ts";

/** Flashes a minute above which it is told as a dead bulb is: SAE J590 and UN R6 allow up to 120. */
const MOST_PER_MIN = 120;

function judge({ side, flasher, loadA, timing }: SideFlash): Found[] {
  const perMin = 60 / (timing.onS + timing.offS);
  if (timing.flashes && perMin <= MOST_PER_MIN) return [];
  const load = {
    label: "load of a side",
    value: `${decimal(loadA, 2)} A`,
    limit: `at least ${decimal(flasher.leastA, 2)} A`,
  };
  return [
    {
      rule: "flash-rate",
      severity: timing.flashes ? "fix" : "stop",
      place: { runId: null, elementId: null, words: `Turn signal, ${side}` },
      title: timing.flashes
        ? `Hyperflash: ${decimal(perMin, 0)} a minute`
        : "Lights and does not flash",
      figures: [
        ...(timing.flashes
          ? [
              {
                label: "rate",
                value: `${decimal(perMin, 0)} a minute`,
                limit: `at most ${MOST_PER_MIN}`,
              },
            ]
          : []),
        load,
      ],
      why: timing.flashes
        ? "It takes the small load for a dead bulb. A flasher for any load, an equaliser on each side, or a load resistor on metal away from plastic mends it: the signals page compares them."
        : "The thermal strip never gets warm on so small a load. A flasher for any load, or equalisers, make it flash: the signals page compares them.",
      remedies: [],
    },
  ];
}

/** What the flasher makes of the load that it sees: the same judgement as on the signals page. */
export const flashRate: Rule = {
  id: "flash-rate",
  source: "common practice; SAE J590 and UN R6 for the rate (from memory)",
  check: ({ job, circuit }) => sideFlashes(job, circuit).flatMap(judge),
};
