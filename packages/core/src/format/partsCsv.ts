import { ratingOf, type LoadSpec, type Part } from "../part/index.ts";
import { type BoundedValue } from "../quantity/index.ts";
import { RowReader, printCsv, readCsv, type CsvFault, type CsvResult } from "./csv.ts";
import { readPart } from "./readPart.ts";

/** Columns of a parts file, in order. Cells that a kind of part does not need stay empty. */
const FACT_COLUMNS = [
  "power_w",
  "current_a",
  "standby_a",
  "coil_ohm",
  "tell_tale_a",
  "dim_w",
  "out_v",
  "idle_a",
  "sleep_a",
  "capacity_ah",
  "peukert",
  "charger_a",
  "contact_ohm",
  "rate_per_min",
] as const;

const COLUMNS = [
  "id",
  "kind",
  "name",
  "price",
  "stock",
  "least",
  "warranty_months",
  "note",
  "family",
  "light",
  "load",
  "rated_v",
  "min_v",
  "max_v",
  "pigtail",
  "contact_a",
  "diode",
  "tell_tale",
  "case_ground",
  "forward_v",
  "group_m",
  "length_m",
  "coil_v",
  "in_min_v",
  "in_max_v",
  "cut_off_v",
  "out_a",
  "surge_a",
  "efficiency_tenth",
  "efficiency_half",
  "efficiency_full",
  "isolated",
  "sealed",
  "most_ambient_c",
  "form",
  "ways",
  "way_a",
  "total_a",
  "switches",
  "chemistry",
  "hour_rate",
  "principle",
  "least_a",
  "on_share",
  "behaviours",
  "ingress",
  "contact_v",
  "lights",
  "way_ratings",
  "main_breaker_a",
  "cells",
  "kit",
  "photometry",
  "input",
  "sleep_after_min",
  "leads",
  ...FACT_COLUMNS.flatMap((c) => [c, `${c}_low`, `${c}_high`, `${c}_from`]),
];
type Row = Record<string, string>;
type FactColumn = (typeof FACT_COLUMNS)[number];

const factCells = (column: FactColumn, fact: BoundedValue): Row => ({
  [column]: String(fact.value),
  [`${column}_low`]: String(fact.low),
  [`${column}_high`]: String(fact.high),
  [`${column}_from`]: fact.provenance,
});

function loadCells(spec: LoadSpec): Row {
  switch (spec.kind) {
    case "constantCurrent":
      return { load: spec.kind, ...factCells("current_a", spec.currentA) };
    case "drivenLed":
      return {
        load: spec.kind,
        ...factCells("power_w", spec.powerW),
        min_v: String(spec.minV),
        max_v: String(spec.maxV),
      };
    case "ledStrip":
      return {
        load: spec.kind,
        ...factCells("power_w", spec.powerWPerM),
        rated_v: String(spec.ratedV),
        forward_v: String(spec.forwardV),
        group_m: String(spec.groupM),
        length_m: String(spec.lengthM),
      };
    case "filament":
    case "resistive":
      return {
        load: spec.kind,
        ...factCells("power_w", spec.powerW),
        rated_v: String(spec.ratedV),
      };
  }
}

/** The dim light is of the same kind as the main one, and works at the same volts. */
const dimCells = (dim: LoadSpec): Row => factCells("dim_w", ratingOf(dim));

function cellsOf(part: Part): Row {
  const base: Row = {
    id: part.id,
    kind: part.kind,
    name: part.name,
    price: String(part.price),
    stock: String(part.stock),
    least: part.least === undefined ? "" : String(part.least),
    warranty_months: part.warrantyMonths === undefined ? "" : String(part.warrantyMonths),
    note: part.note,
    ingress: part.ingress,
    contact_v: part.ratedV > 0 ? String(part.ratedV) : "",
  };
  switch (part.kind) {
    case "load":
      return {
        ...base,
        ...loadCells(part.load),
        family: part.family,
        light: part.light,
        ...factCells("standby_a", part.standbyA),
        pigtail: part.pigtail,
        case_ground: part.caseGround ? "yes" : "no",
        ...(part.dim ? dimCells(part.dim) : {}),
        lights: part.lights.length > 0 ? JSON.stringify(part.lights) : "",
        behaviours: part.behaviour ? JSON.stringify([part.behaviour]) : "",
        photometry: part.photometry ? JSON.stringify(part.photometry) : "",
      };
    case "converter":
      return {
        ...base,
        input: part.input,
        in_min_v: String(part.inMinV),
        in_max_v: String(part.inMaxV),
        cut_off_v: String(part.cutOffV),
        ...factCells("out_v", part.outV),
        out_a: String(part.outA),
        surge_a: String(part.surgeA),
        efficiency_tenth: String(part.efficiencyTenth),
        efficiency_half: String(part.efficiencyHalf),
        efficiency_full: String(part.efficiencyFull),
        ...factCells("idle_a", part.idleA),
        isolated: part.isolated ? "yes" : "no",
        sealed: part.sealed ? "yes" : "no",
        most_ambient_c: String(part.mostAmbientC),
      };
    case "box":
      return {
        ...base,
        form: part.form,
        ways: String(part.ways),
        way_a: String(part.wayA),
        way_ratings: part.wayRatings.join(" "),
        main_breaker_a: String(part.mainBreakerA),
        total_a: String(part.totalA),
        switches: part.switches,
        ...factCells("coil_ohm", part.inputOhm),
        ...factCells("idle_a", part.idleA),
        sleep_after_min: part.sleepAfterMin > 0 ? String(part.sleepAfterMin) : "",
        ...(part.sleepAfterMin > 0 ? factCells("sleep_a", part.sleepA) : {}),
        behaviours: part.behaviours.length > 0 ? JSON.stringify(part.behaviours) : "",
      };
    case "battery":
      return {
        ...base,
        chemistry: part.chemistry,
        cells: String(part.cells),
        ...factCells("capacity_ah", part.capacityAh),
        hour_rate: String(part.hourRate),
        ...factCells("peukert", part.peukert),
        ...factCells("charger_a", part.chargerA),
      };
    case "connector":
      return {
        ...base,
        leads: part.leads.length > 0 ? JSON.stringify(part.leads) : "",
        contact_a: String(part.ratingA),
        ...factCells("contact_ohm", part.contactOhm),
      };
    case "flasher":
      return {
        ...base,
        principle: part.principle,
        least_a: String(part.leastA),
        contact_a: String(part.contactA),
        ...factCells("rate_per_min", part.ratePerMin),
        on_share: String(part.onShare),
      };
    case "relay":
      return {
        ...base,
        coil_v: String(part.coilV),
        contact_a: String(part.contactA),
        ...factCells("coil_ohm", part.coilOhm),
        diode: part.diode ? "yes" : "no",
      };
    case "switch":
      return {
        ...base,
        contact_a: String(part.contactA),
        tell_tale: part.tellTale,
        ...factCells("tell_tale_a", part.tellTaleA),
      };
    case "kit":
      return { ...base, kit: JSON.stringify({ items: part.items, content: part.content }) };
    case "sundry":
      return base;
  }
}

/** Parts as CSV, one a line. */
export const printPartsCsv = (parts: readonly Part[]): string =>
  printCsv(COLUMNS, parts.map(cellsOf));

/** Reads a parts file; every fault with its line and column, and nothing taken when there is one. */
export function readPartsCsv(text: string): CsvResult<readonly Part[]> {
  const rows = readCsv(text, ["id", "kind", "name"]);
  if (!rows.ok) return rows;
  const faults: CsvFault[] = [];
  const seen = new Map<string, number>();
  const parts = rows.value.map((row, i) => {
    const reader = new RowReader(row, i + 2);
    const part = readPart(reader);
    const before = seen.get(part.id);
    if (before !== undefined) reader.wrong("id", `"${part.id}" stands on line ${before} already`);
    seen.set(part.id, i + 2);
    faults.push(...reader.faults);
    return part;
  });
  return faults.length > 0 ? { ok: false, faults } : { ok: true, value: parts };
}
