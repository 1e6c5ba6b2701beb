import { decimal } from "../../quantity/index.ts";
import { CELL_MARKS, packTopV } from "../../source/index.ts";
import type { Found, Rule } from "../finding.ts";

/** A name or a reading this far from what the cells give is about another pack. */
const OFF = 0.08;

/** The pack's own facts against each other: name, cells, and what the charger holds. */
export const packFacts: Rule = {
  id: "pack-facts",
  source: "cell voltages by chemistry, handbook values (from memory)",
  check: ({ job }) => {
    const { system } = job.vehicle;
    if (system.kind === "engine") return [];
    const { pack } = system;
    const nominal = pack.cells * CELL_MARKS[pack.chemistry].nominalV;
    const top = packTopV(pack);
    const place = { runId: null, elementId: null, words: "Intake: traction pack" };
    const made: Found[] = [];
    if (Math.abs(pack.nominalV - nominal) > OFF * nominal) {
      made.push({
        rule: "pack-facts",
        severity: "stop",
        place,
        title: "Cells do not add up to the pack",
        figures: [
          {
            label: `${pack.cells} cells`,
            value: `${decimal(nominal)} V`,
            limit: `near ${decimal(pack.nominalV)} V as it is called`,
          },
        ],
        why: "Either the number of cells, the chemistry or the name is another pack's. Count the cells, or read the charger's plate.",
        remedies: [],
      });
    }
    const { low, high } = pack.topOfChargeV;
    if (high < top * (1 - OFF) || low > top * (1 + OFF)) {
      made.push({
        rule: "pack-facts",
        severity: "stop",
        place,
        title: "The charger's voltage does not fit these cells",
        figures: [
          {
            label: "top of charge",
            value: `${decimal(low)}–${decimal(high)} V`,
            limit: `about ${decimal(top)} V for ${pack.cells} cells`,
          },
        ],
        why: "Everything across the pack must bear this voltage: measure it straight off the charger.",
        remedies: [],
      });
    }
    return made;
  },
};
