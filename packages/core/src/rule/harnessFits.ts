import { endWords, wiresOf } from "../circuit/index.ts";
import { minus, decimal, boundsOf } from "../quantity/index.ts";
import type { Found, Rule } from "./finding.ts";

/** More than this left over has to be stowed somewhere, in m: common practice. */
const STOW_M = 0.5;

/** Harnesses come as long as they are made: too short does not reach, too long wants a place. */
export const harnessFits: Rule = {
  id: "harness-fits",
  source: "common practice",
  check: ({ job, circuit }) =>
    wiresOf(circuit).flatMap((wire): Found[] => {
      if (wire.bridgesM === null) return [];
      const spare = minus(boundsOf(wire.lengthM), boundsOf(wire.bridgesM));
      const choice = job.wireChoices.find((c) => c.wire === (wire.id as string));
      const place = {
        runId: wire.runId,
        elementId: wire.id,
        words: `${wire.harness === "" ? "wire" : wire.harness}, ${endWords(circuit, wire.from)} to ${endWords(circuit, wire.to)}`,
      };
      const figures = [
        {
          label: "length",
          value: `${decimal(wire.lengthM.value, 2)} m`,
          limit: `${decimal(wire.bridgesM.value, 2)} m to bridge`,
        },
      ];
      if (spare.mid < 0) {
        const sure = spare.high < 0;
        return [
          {
            ...{ rule: "harness-fits", severity: sure ? "stop" : "fix", place, figures },
            title: sure ? "Too short for its way" : "Perhaps too short for its way",
            why: "A wire under tension works loose at its terminal. Lengthen it with the same size, soldered or crimped and sealed, or place the two ends nearer.",
            remedies: choice
              ? [
                  {
                    label: "Cut a wire of its own instead",
                    edits: [{ kind: "remove", entity: "wireChoice", id: choice.id }],
                  },
                ]
              : [],
          },
        ];
      }
      if (spare.mid < STOW_M) return [];
      return [
        {
          ...{ rule: "harness-fits", severity: "note", place, figures },
          title: `${decimal(spare.mid, 1)} m too long: stow it`,
          why: "Its whole length counts in the drop. Lay the excess in a flat loop near the electrics, tied, away from heat and moving parts; never in a tight coil.",
          remedies: [],
        },
      ];
    }),
};
