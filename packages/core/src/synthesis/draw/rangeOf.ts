import type { Root } from "../../circuit/index.ts";
import type { Job } from "../../job/index.ts";
import type { Part } from "../../part/index.ts";
import { openCircuitV, packEmptyV } from "../../source/index.ts";

/** Lowest and highest volts that something is fed with in use. */
export interface VoltRange {
  readonly lowV: number;
  readonly highV: number;
}

/** A 12 V battery nearly flat with everything on, and while it is charged: common practice. */
const BATTERY_12: VoltRange = { lowV: 11.5, highV: 14.4 };

/** State of charge down to which a battery of its own is counted on. */
const OWN_LOW_SOC = 0.2;
/** What a charger puts on a battery above its resting volts: 14.4 of 12.7 V. */
const CHARGED = 14.4 / 12.7;

/** Volts behind a converter or a battery of its own; null for what only passes its feed on. */
export function rangeOfPart(part: Part | undefined): VoltRange | null {
  if (part?.kind === "converter") return { lowV: part.outV.low, highV: part.outV.high };
  if (part?.kind !== "battery") return null;
  const { chemistry, cells } = part;
  const lead = chemistry !== "lithiumIron" && chemistry !== "lithiumIon";
  return {
    lowV: openCircuitV(chemistry, OWN_LOW_SOC, cells),
    // Lamps burn while a lead battery charges; a lithium one is taken off its charger.
    highV: openCircuitV(chemistry, 1, cells) * (lead ? CHARGED : 1),
  };
}

/** Volts in use behind what holds a voltage on this vehicle. */
export function rangeOfRoot(job: Job, root: Root): VoltRange {
  const { system } = job.vehicle;
  switch (root.kind) {
    case "battery":
      return BATTERY_12;
    case "pack":
      return system.kind === "engine"
        ? { lowV: 0, highV: 0 }
        : {
            lowV: packEmptyV(system.pack) * root.share,
            highV: system.pack.topOfChargeV.high * root.share,
          };
    case "fixed":
      return { lowV: root.volts, highV: root.volts };
  }
}
