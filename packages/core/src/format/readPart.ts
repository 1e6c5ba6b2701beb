import { asId, ID_PATTERN, upgradePart, type PartId } from "../job/index.ts";
import {
  BOX_FORMS,
  BOX_SWITCHING,
  CONVERTER_INPUTS,
  FLASHER_PRINCIPLES,
  LIGHT_COLOURS,
  LOAD_FAMILIES,
  LOAD_KINDS,
  PART_KINDS,
  PLAIN,
  TELL_TALES,
  type Behaviour,
  type KitPart,
  type LeadColours,
  type LoadSpec,
  type Part,
  type PartLight,
} from "../part/index.ts";
import type { Photometry } from "../photometry/index.ts";
import { BATTERY_CHEMISTRIES } from "../vehicle/index.ts";
import { findGauge } from "../wire/index.ts";
import type { RowReader } from "./csv.ts";
import { readJsonCell } from "./readJsonCell.ts";
import { readPhotometry } from "./readPhotometry.ts";

function readLoad(r: RowReader): LoadSpec {
  const kind = r.oneOf("load", LOAD_KINDS);
  if (kind === "constantCurrent") {
    return { kind, currentA: r.fact("current_a") };
  }
  const powerW = r.fact("power_w");
  if (kind === "ledStrip") {
    return {
      kind,
      powerWPerM: powerW,
      ratedV: r.number("rated_v"),
      forwardV: r.number("forward_v"),
      groupM: r.number("group_m"),
      lengthM: r.number("length_m", 1),
    };
  }
  return kind === "drivenLed"
    ? { kind, powerW, minV: r.number("min_v"), maxV: r.number("max_v") }
    : { kind, powerW, ratedV: r.number("rated_v") };
}

function readDim(r: RowReader, main: LoadSpec): LoadSpec | null {
  if (r.text("dim_w") === "") return null;
  const rating = r.fact("dim_w");
  switch (main.kind) {
    case "constantCurrent":
      return { ...main, currentA: rating };
    case "ledStrip":
      return { ...main, powerWPerM: rating };
    default:
      return { ...main, powerW: rating };
  }
}

/** Ratings by channel in one cell, with spaces between: "15 10 10". */
function readRatings(r: RowReader): readonly number[] {
  const words = r
    .text("way_ratings")
    .split(/\s+/)
    .filter((word) => word !== "");
  const ratings = words.map(Number);
  if (ratings.every((a) => a > 0)) return ratings;
  r.wrong(
    "way_ratings",
    `invalid ratings: "${words.join(" ")}" (amps by channel, such as 15 10 10)`,
  );
  return [];
}

const NO_KIT: Pick<KitPart, "items" | "content"> = {
  items: [],
  content: {
    ...{ parts: [], supplies: [], controls: [], runs: [], lamps: [], harnesses: [] },
    wireChoices: [],
  },
};

/** Behaviours stand in one cell as JSON: a list of what each way does, missing fields at rest. */
function readBehaviours(r: RowReader): readonly Behaviour[] {
  const text = r.text("behaviours");
  if (text === "") return [];
  try {
    const list: unknown = JSON.parse(text);
    if (!Array.isArray(list)) throw new Error("needs a list");
    return list.map((b: Partial<Behaviour>) => ({ ...PLAIN, ...b }));
  } catch (error) {
    const words = error instanceof Error ? error.message : String(error);
    r.wrong("behaviours", `invalid behaviours: ${words} (a JSON list)`);
    return [];
  }
}

function measuredOf(r: RowReader): { readonly photometry?: Photometry } {
  const photometry = readPhotometry(r, "photometry");
  return photometry ? { photometry } : {};
}

export function readPart(r: RowReader): Part {
  const id = r.needed("id");
  if (id !== "" && !ID_PATTERN.test(id)) {
    r.wrong("id", `invalid id: "${id}" (letters, digits, - and _, 64 at most)`);
  }
  const base = {
    id: asId<PartId>(id),
    name: r.needed("name"),
    note: r.text("note"),
    price: r.number("price", 0),
    stock: r.number("stock", 0),
    ...(r.text("least") !== "" && { least: r.number("least") }),
    ...(r.text("warranty_months") !== "" && { warrantyMonths: r.number("warranty_months") }),
    ingress: r.text("ingress"),
    ratedV: r.number("contact_v", 0),
  };
  const kind = r.oneOf("kind", PART_KINDS);
  switch (kind) {
    case "load": {
      const pigtail = r.text("pigtail");
      if (pigtail !== "" && !findGauge(pigtail)) {
        r.wrong("pigtail", `invalid wire size: "${pigtail}" (such as 18 AWG or 0.75 mm²)`);
      }
      const load = readLoad(r);
      return {
        ...base,
        kind,
        family: r.oneOf("family", LOAD_FAMILIES, "lamp"),
        light: r.oneOf("light", LIGHT_COLOURS, "none"),
        load,
        standbyA: r.fact("standby_a", 0),
        pigtail,
        dim: readDim(r, load),
        lights: readJsonCell<readonly PartLight[]>(r, "lights", "a JSON list", []),
        caseGround: r.oneOf("case_ground", ["yes", "no"], "no") === "yes",
        behaviour: readBehaviours(r)[0] ?? null,
        ...measuredOf(r),
      };
    }
    case "relay":
      return {
        ...base,
        kind,
        contactA: r.number("contact_a"),
        coilV: r.number("coil_v", 12),
        coilOhm: r.fact("coil_ohm"),
        diode: r.oneOf("diode", ["yes", "no"], "no") === "yes",
      };
    case "switch":
      return {
        ...base,
        kind,
        contactA: r.number("contact_a"),
        tellTale: r.oneOf("tell_tale", TELL_TALES, "none"),
        tellTaleA: r.fact("tell_tale_a", 0),
      };
    case "converter":
      return {
        ...base,
        kind,
        input: r.oneOf("input", CONVERTER_INPUTS, "direct"),
        inMinV: r.number("in_min_v"),
        inMaxV: r.number("in_max_v"),
        cutOffV: r.number("cut_off_v"),
        outV: r.fact("out_v"),
        outA: r.number("out_a"),
        surgeA: r.number("surge_a"),
        efficiencyTenth: r.number("efficiency_tenth"),
        efficiencyHalf: r.number("efficiency_half"),
        efficiencyFull: r.number("efficiency_full"),
        idleA: r.fact("idle_a"),
        isolated: r.oneOf("isolated", ["yes", "no"], "no") === "yes",
        sealed: r.oneOf("sealed", ["yes", "no"], "no") === "yes",
        mostAmbientC: r.number("most_ambient_c", 40),
      };
    case "box":
      return {
        ...base,
        kind,
        form: r.oneOf("form", BOX_FORMS),
        ways: r.number("ways"),
        wayA: r.number("way_a"),
        wayRatings: readRatings(r),
        mainBreakerA: r.number("main_breaker_a", 0),
        totalA: r.number("total_a"),
        switches: r.oneOf("switches", BOX_SWITCHING, "positive"),
        inputOhm: r.fact("coil_ohm"),
        idleA: r.fact("idle_a", 0),
        sleepAfterMin: r.number("sleep_after_min", 0),
        sleepA: r.fact("sleep_a", 0),
        behaviours: readBehaviours(r),
      };
    case "battery":
      return {
        ...base,
        kind,
        chemistry: r.oneOf("chemistry", BATTERY_CHEMISTRIES),
        cells: r.number("cells", 0),
        capacityAh: r.fact("capacity_ah"),
        hourRate: r.number("hour_rate", 20),
        peukert: r.fact("peukert"),
        chargerA: r.fact("charger_a", 0),
      };
    case "connector":
      return {
        ...base,
        kind,
        leads: readJsonCell<readonly LeadColours[]>(r, "leads", "a JSON list", []),
        ratingA: r.number("contact_a"),
        contactOhm: r.fact("contact_ohm"),
      };
    case "flasher":
      return {
        ...base,
        kind,
        principle: r.oneOf("principle", FLASHER_PRINCIPLES),
        leastA: r.number("least_a"),
        contactA: r.number("contact_a"),
        ratePerMin: r.fact("rate_per_min"),
        onShare: r.number("on_share"),
      };
    case "kit":
      // A file of before has its kits' contents as they were then.
      return upgradePart(
        { ...base, kind, ...readJsonCell(r, "kit", "JSON of items and content", NO_KIT) },
        1,
      ) as KitPart;
    case "sundry":
      return { ...base, kind };
  }
}
