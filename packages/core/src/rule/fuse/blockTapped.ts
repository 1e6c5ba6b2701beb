import { decimal } from "../../quantity/index.ts";
import { asId, setCircuit, setSupply, type Feed, type CircuitId } from "../../job/index.ts";
import type { Found, Rule } from "../finding.ts";

/** Why nobody should tap a block: what it does to the blocks in Ah, in volts and in years. */
export const blockTapped: Rule = {
  id: "block-tapped",
  source: "common practice; lead lifetime of 500 half discharges, handbook value (from memory)",
  check: ({ job, budget }) => {
    const { evening } = budget;
    const pack: Feed = { kind: "pack" };
    const tapped = [
      ...job.runs
        .filter((run) => run.feed.kind === "block")
        .map((run) => ({ id: run.id, name: run.name, edit: setCircuit(run.id, "feed", pack) })),
      ...job.supplies
        .filter((s) => s.feed.kind === "block")
        .map((s) => ({
          id: asId<CircuitId>(s.id),
          name: s.name,
          edit: setSupply(s.id, "feed", pack),
        })),
    ];
    return tapped.map(({ id, name, edit }): Found => {
      const most = evening?.blocks[0];
      const least = evening?.blocks[evening.blocks.length - 1];
      return {
        rule: "block-tapped",
        severity: "fix",
        place: { runId: id, elementId: null, words: `${name}: feed` },
        title: "A tapped block is drawn down more than the others",
        figures:
          evening && most && least && evening.apartAh > 0
            ? [
                {
                  label: "apart after an evening",
                  value: `${decimal(evening.apartAh)} Ah, ${decimal(evening.apartV, 2)} V`,
                  limit: "0",
                },
                {
                  label: "half flat, if nobody charges it by itself",
                  value: `after ${evening.eveningsToHalf ?? 0} evenings, ${decimal(evening.yearsToHalf ?? 0, 1)} years; ${decimal(evening.halfV, 2)} V below the others`,
                  limit: "never",
                },
                {
                  label: "lasts",
                  value: `${decimal(most.years)} years`,
                  limit: `${decimal(least.years)} years like the others`,
                },
              ]
            : [],
        why: "The charger fills all blocks alike and stops by their sum: the tapped one never gets full and sulphates, the others are overcharged.",
        remedies: [{ label: "Feed it across the whole pack", edits: [edit] }],
      };
    });
  },
};
