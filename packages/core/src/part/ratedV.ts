import type { Part } from "./part.ts";

/** Direct voltage of vehicle switches, relays and plugs that nobody has said more of: common practice. */
const VEHICLE_V = 16;
/** Blade fuses and the blocks that hold them: ISO 8820-3. */
export const BLADE_V = 32;

/** A pack straight off its charger shows up to a quarter more than its name: common practice. */
export const FULL_PACK = 1.25;

/** What a part may break, in V: as it is marked, or what its kind usually is. */
export function ratedVOf(part: Part): number {
  if (part.ratedV > 0) return part.ratedV;
  switch (part.kind) {
    case "box":
      return part.form === "fuseBlock" ? BLADE_V : VEHICLE_V;
    case "relay":
      // One made with another coil is made for that system, its charger's top included.
      return part.coilV > VEHICLE_V ? part.coilV * FULL_PACK : VEHICLE_V;
    case "switch":
    case "connector":
    case "flasher":
      return VEHICLE_V;
    default:
      return Infinity;
  }
}
