import type {
  BatteryChemistry,
  BatteryFacts,
  PackChemistry,
  PackFacts,
} from "../../vehicle/index.ts";

/** Lead takes its charger's full current to four fifths, then less and less: common practice. */
const BULK_TO: Readonly<Record<"lead" | "lithium", number>> = { lead: 0.8, lithium: 0.95 };
/** Mean current of the last part, as a share of the charger's. */
const TAPER_SHARE = 0.4;
/** Share of the charge that stays, and of the outlet's power that reaches the battery. */
const KEPT: Readonly<Record<"lead" | "lithium", number>> = { lead: 0.88, lithium: 0.99 };
const CHARGER_SHARE = 0.88;

type Chemistry = BatteryChemistry | PackChemistry;
const FAMILY: Readonly<Record<Chemistry, "lead" | "lithium">> = {
  ...{ flooded: "lead", agm: "lead", gel: "lead", leadBlocks: "lead" },
  ...{ lithiumIron: "lithium", lithiumIon: "lithium", lithium: "lithium" },
};

/** Hours to full from a state of charge, at a charger's current; Infinity without one. */
export function hoursToFull(
  capacityAh: number,
  chargerA: number,
  chemistry: Chemistry,
  fromSoc: number,
): number {
  if (chargerA <= 0) return Infinity;
  const kind = FAMILY[chemistry];
  const bulk = Math.max(0, BULK_TO[kind] - fromSoc);
  const taper = 1 - Math.max(BULK_TO[kind], fromSoc);
  return (capacityAh * (bulk + taper / TAPER_SHARE)) / (chargerA * KEPT[kind]);
}

/** What one outlet feeding a pack's charger and a 12 V battery's must carry, in A. */
export function inletA(pack: PackFacts, battery: BatteryFacts | null): number {
  const watts =
    pack.topOfChargeV.value * pack.chargerA.value + 14.4 * (battery?.chargerA.value ?? 0);
  return watts / CHARGER_SHARE / pack.inletV;
}
