import { asId, type PartId } from "../../job/index.ts";
import type { LoadPart, LoadSpec } from "../../part/index.ts";
import { boundedValue } from "../../quantity/index.ts";
import { SORTS } from "./lexicon.ts";
import { familyOf, usualColour, wattsAsked, type AskedLoad } from "./shelfMatch.ts";

/** The system that is meant where nobody says volts. */
const USUAL_V = 12;
/** A driver for a higher system works between so much of its volts: assumed, its box says what is right. */
const [DRIVER_LOW, DRIVER_HIGH] = [0.75, 1.25];

function specOf(asked: AskedLoad, watts: number): LoadSpec {
  const ratedV = asked.volts ?? USUAL_V;
  const powerW = boundedValue(watts, "stated");
  const family = familyOf(asked.sorts);
  if (family === "horn") {
    return {
      kind: "constantCurrent",
      currentA: boundedValue(asked.amps ?? watts / ratedV, "stated"),
    };
  }
  if (family === "heater") return { kind: "resistive", powerW, ratedV };
  if (asked.filament) return { kind: "filament", powerW, ratedV };
  if (asked.series) return { kind: "resistive", powerW, ratedV };
  return ratedV <= 24
    ? { kind: "drivenLed", powerW, minV: 9, maxV: 32 }
    : { kind: "drivenLed", powerW, minV: ratedV * DRIVER_LOW, maxV: ratedV * DRIVER_HIGH };
}

const KIND_WORDS: Readonly<Record<LoadSpec["kind"], string>> = {
  drivenLed: "an LED lamp",
  filament: "a bulb",
  resistive: "a plain load without a driver",
  constantCurrent: "a horn",
  ledStrip: "a strip",
};

const voltsWords = (load: LoadSpec, volts: number | null): string =>
  load.kind === "drivenLed" ? `${load.minV}–${load.maxV} V` : `${volts ?? USUAL_V} V`;

/** What a load that is not on the shelf was taken as: "an LED lamp of 60 W for 9–32 V". */
export const takenAs = ({ load }: LoadPart, asked: AskedLoad): string =>
  `${familyOf(asked.sorts) === "outlet" ? "an outlet" : KIND_WORDS[load.kind]} of ${
    asked.amps === null ? `${asked.watts ?? 0} W` : `${asked.amps} A`
  } for ${voltsWords(load, asked.volts)}`;

/**
 * A load that the shelf has not, as it was asked for: an LED lamp with a driver for 12 to 24 V
 * where nobody says what is inside, as most are (common practice). Its box says what is right.
 * null where nobody said what it draws.
 */
export function partAsSaid(asked: AskedLoad): LoadPart | null {
  const watts = wattsAsked(asked);
  if (watts === null) return null;
  const [sort = "lamp"] = asked.sorts;
  const family = familyOf(asked.sorts);
  const noun = `${asked.filament && sort !== "bulb" ? "halogen " : ""}${SORTS[sort]?.[0] ?? "lamp"}`;
  const warm = asked.filament ? "warm white" : "white";
  const light =
    family === "lamp" ? (asked.colour ?? usualColour(asked.sorts) ?? warm) : ("none" as const);
  const draw = asked.amps === null ? `${watts} W` : `${asked.amps} A`;
  const volts = asked.volts === null || asked.volts === USUAL_V ? "" : `${asked.volts} V`;
  const words = ["said", sort, draw, volts, asked.filament, asked.series, light];
  const id = words
    .flatMap((w) => (w === true ? ["plain"] : w === false || w === "" ? [] : [w]))
    .join("-")
    .replace(/[^\w-]+/g, "_")
    .toLowerCase();
  return {
    ...{ kind: "load", family, light },
    id: asId<PartId>(id),
    name: [volts, draw, noun].filter((word) => word !== "").join(" "),
    note: "Not from the shelf: as it was asked for.",
    ...{ price: 0, stock: 0, ingress: "", pigtail: "", dim: null, lights: [] },
    ...{ caseGround: false, behaviour: null },
    ratedV: family === "horn" ? (asked.volts ?? USUAL_V) : 0,
    load: specOf(asked, watts),
    standbyA: boundedValue(0, "assumed"),
  };
}
