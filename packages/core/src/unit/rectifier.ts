import type { BranchModel } from "../network/network.ts";

/** The diode across a coil: a plain 1 A rectifier, good enough to show a dead short (m). */
export const RECTIFIER: BranchModel = { kind: "diode", saturationA: 1e-12, thermalV: 0.03 };
