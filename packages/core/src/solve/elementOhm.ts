import type { Element } from "../circuit/index.ts";
import { CONTACT_RESISTANCE } from "../part/index.ts";
import { fuseResistanceOhm } from "../protection/index.ts";
import { gaugeOf, wireResistanceOhm } from "../wire/index.ts";

/** Which end of the bounds of lengths and powers a calculation takes. */
export type Estimate = "low" | "value" | "high";

/** A flasher's closed contact with its heater or shunt, in Ω: assumed. */
const FLASHER_OHM = 0.02;
/** Resistance of a small lead battery times its capacity, in Ω·Ah: 0.012 Ω at 20 Ah, assumed. */
const BATTERY_OHM_AH = 0.24;
/** Output resistance of a regulated converter up to its limit, in Ω: assumed. */
const CONVERTER_OHM = 0.005;

/** Resistance in Ω of an element that is not a load. */
export function elementOhm(element: Element, estimate: Estimate, temperatureC: number): number {
  switch (element.kind) {
    case "wire":
      return wireResistanceOhm(gaugeOf(element.gaugeId), element.lengthM[estimate], temperatureC);
    case "chassis":
      return element.resistanceOhm[estimate === "value" ? "mid" : estimate];
    case "fuse":
      return fuseResistanceOhm(element.ratingA);
    case "switch":
    case "contact":
      return CONTACT_RESISTANCE.mid;
    case "coil":
      return element.part.coilOhm[estimate];
    case "connector":
      return element.part.contactOhm[estimate];
    case "flasher":
      return FLASHER_OHM;
    case "battery":
      return BATTERY_OHM_AH / Math.max(1, element.part.capacityAh.value);
    case "converter":
      return CONVERTER_OHM;
    case "tap":
    case "diode":
      return 0;
    case "load":
      throw new Error(`load "${element.label}" has no single resistance`);
  }
}
