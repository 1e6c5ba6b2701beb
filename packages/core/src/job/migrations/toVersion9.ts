import { eachMade, eachWith, isPlain, madeMore, type Plain } from "./plain.ts";

/** A vehicle of version 8 as of version 9: nobody said what its loads are, or counted its cavities. */
export const vehicleTo9 = (vehicle: unknown): unknown =>
  madeMore(vehicle, (before) => ({
    ...before,
    baseLoads: eachWith(before.baseLoads, { kind: "other", at: "" }),
    connectors: eachWith(before.connectors, { cavities: 0, rows: 0 }),
  }));

const NEVER = { value: 0, low: 0, high: 0, provenance: "assumed" };

/** What version 9 asks of a kind of part beside what it had. */
const NEW_OF: Readonly<Record<string, Plain>> = {
  converter: { input: "direct" },
  box: { sleepAfterMin: 0, sleepA: NEVER },
  connector: { leads: [] },
};

const harnessesTo9 = (list: unknown): unknown => eachWith(list, { joints: [] });

/** What a kit of version 8 holds, as of version 9. */
const contentTo9 = (content: unknown): unknown =>
  madeMore(content, (before) => ({
    ...before,
    parts: eachMade(before.parts, partTo9),
    harnesses: harnessesTo9(before.harnesses),
  }));

/** A shelf part of version 8 as of version 9: converters take direct volts, and no module sleeps. */
export function partTo9(part: unknown): unknown {
  if (!isPlain(part)) return part;
  return {
    ...NEW_OF[String(part.kind)],
    ...part,
    ...(part.kind === "kit" && { content: contentTo9(part.content) }),
  };
}

/** A job document of version 8 as one of version 9: every harness lies beside the factory's loom. */
export const toVersion9 = (document: Plain): Plain => ({
  ...document,
  vehicle: vehicleTo9(document.vehicle),
  parts: eachMade(document.parts, partTo9),
  harnesses: harnessesTo9(document.harnesses),
  format: "dragonet-job/9",
});
