import {
  BEAM_KINDS,
  SWITCHED_SIDES,
  asId,
  type ConnectorId,
  type PinId,
  type PlaceId,
  type ProfileId,
  type SegmentId,
  type VariantId,
} from "../job/index.ts";
import { isBoundedValue, type BoundedValue } from "../quantity/index.ts";
import {
  BASE_LOAD_KINDS,
  BATTERY_CHEMISTRIES,
  CERTAINTIES,
  CHARGING_KINDS,
  FACTORY_LAMPS,
  CIRCUIT_FAMILIES,
  LIVE_WHEN,
  PACK_CHEMISTRIES,
  PIN_SUPPLIES,
  PLACE_ROLES,
  TURN_PRINCIPLES,
  VEHICLE_KINDS,
  type BaseLoad,
  type ChargingPoint,
  type Connector,
  type ConnectorPin,
  type ElectricalSystem,
  type Hazard,
  type MapPlace,
  type FactoryBeam,
  type FactoryLamps,
  type MapSegment,
  type TurnFacts,
  type Vehicle,
  type VehicleSize,
  type VehicleVariant,
} from "../vehicle/index.ts";
import { printCsv, readCsv, type CsvFault, type CsvResult } from "./csv.ts";
import { RecordReader, type Cell } from "./recordReader.ts";

/**
 * Vehicle profiles as a table of facts: one row a fact, so that any spreadsheet can hold
 * any vehicle. `record` says what the fact is about, `id` which one where there are several.
 */
const COLUMNS = [
  "vehicle",
  "record",
  "id",
  "field",
  "value",
  "value_low",
  "value_high",
  "value_from",
];

const SYSTEM_KINDS = ["engine", "pack", "packAndBattery"] as const;

type Row = Record<string, string>;

function rowsOfRecord(vehicle: string, record: string, id: string, fields: object): Row[] {
  return Object.entries(fields).flatMap(([field, value]: [string, unknown]): Row[] => {
    const row = { vehicle, record, id, field };
    if (isBoundedValue(value)) {
      return [
        {
          ...row,
          value: String(value.value),
          value_low: String(value.low),
          value_high: String(value.high),
          value_from: value.provenance,
        },
      ];
    }
    if (Array.isArray(value)) return [{ ...row, value: value.join(" ") }];
    return typeof value === "object" || field === "id" ? [] : [{ ...row, value: String(value) }];
  });
}

/** One row for each kind of lamp that somebody has counted. */
const rowsOfCounts = (vehicle: string, lamps: FactoryLamps): Row[] =>
  FACTORY_LAMPS.flatMap((field) => {
    const count = lamps[field];
    return count === null
      ? []
      : [{ ...{ vehicle, record: "factoryLamps", id: "", field }, value: String(count) }];
  });

function rowsOfVehicle(v: Vehicle): Row[] {
  const id = v.profileId;
  const { system } = v;
  const card = {
    model: v.model,
    kind: v.kind,
    machine: v.machine,
    note: v.note,
    system: system.kind,
    variant: v.variant,
    year: v.year,
  };
  return [
    ...rowsOfRecord(id, "vehicle", "", card),
    ...rowsOfRecord(id, "reaches", "", v.reaches),
    ...rowsOfCounts(id, v.factoryLamps),
    ...(v.turn ? rowsOfRecord(id, "turn", "", v.turn) : []),
    ...(system.kind === "pack" ? [] : rowsOfRecord(id, "battery", "", system.battery)),
    ...(system.kind === "engine"
      ? [
          ...rowsOfRecord(id, "charging", "", system.charging),
          ...system.charging.points.flatMap((p) => rowsOfRecord(id, "point", p.id, p)),
        ]
      : rowsOfRecord(id, "pack", "", system.pack)),
    ...rowsOfRecord(id, "size", "", v.size),
    ...v.places.flatMap((p) => rowsOfRecord(id, "place", p.id, p)),
    ...v.segments.flatMap((s) => rowsOfRecord(id, "stretch", s.id, s)),
    ...v.variants.flatMap((x) => rowsOfRecord(id, "variant", x.id, x)),
    ...v.beams.flatMap(({ photometry, ...b }) =>
      rowsOfRecord(id, "beam", b.id, { ...b, photometry: JSON.stringify(photometry) }),
    ),
    ...v.baseLoads.flatMap((l) => rowsOfRecord(id, "load", l.id, l)),
    ...v.connectors.flatMap((c) => rowsOfRecord(id, "connector", c.id, c)),
    ...v.pins.flatMap((p) => rowsOfRecord(id, "pin", p.id, p)),
  ];
}

/** Vehicle profiles as CSV. */
export const printVehiclesCsv = (vehicles: readonly Vehicle[]): string =>
  printCsv(COLUMNS, vehicles.flatMap(rowsOfVehicle));

function readSystem(
  one: (record: string) => RecordReader,
  many: (record: string) => RecordReader[],
  kind: ElectricalSystem["kind"],
): ElectricalSystem {
  const battery = () => {
    const r = one("battery");
    return {
      chemistry: r.oneOf("chemistry", BATTERY_CHEMISTRIES),
      cells: r.laterNumber("cells", 0),
      capacityAh: r.fact("capacityAh"),
      hourRate: r.number("hourRate"),
      peukert: r.fact("peukert"),
      noStartSoc: r.fact("noStartSoc"),
      chargerA: r.fact("chargerA"),
    };
  };
  const pack = () => {
    const r = one("pack");
    return {
      chemistry: r.oneOf("chemistry", PACK_CHEMISTRIES),
      nominalV: r.number("nominalV"),
      blocks: r.number("blocks"),
      cells: r.number("cells"),
      capacityAh: r.fact("capacityAh"),
      topOfChargeV: r.fact("topOfChargeV"),
      resistanceOhm: r.fact("resistanceOhm"),
      chargerA: r.fact("chargerA"),
      inletV: r.number("inletV"),
      rangeKm: r.fact("rangeKm"),
    };
  };
  switch (kind) {
    case "engine": {
      const r = one("charging");
      const points = many("point").map((p): ChargingPoint => ({
        id: p.id,
        rpm: p.number("rpm"),
        outputA: p.fact("outputA"),
      }));
      return {
        kind,
        battery: battery(),
        charging: {
          kind: r.oneOf("kind", CHARGING_KINDS),
          regulatedV: r.fact("regulatedV"),
          idleRpm: r.fact("idleRpm"),
          townRpm: r.fact("townRpm"),
          cruiseRpm: r.fact("cruiseRpm"),
          points,
        },
      };
    }
    case "pack":
      return { kind, pack: pack() };
    case "packAndBattery":
      return { kind, pack: pack(), battery: battery() };
  }
}

const readCounts = (r: RecordReader | null): FactoryLamps => ({
  headlight: r?.countOrNull("headlight") ?? null,
  rearPosition: r?.countOrNull("rearPosition") ?? null,
  stop: r?.countOrNull("stop") ?? null,
  turnFront: r?.countOrNull("turnFront") ?? null,
  turnRear: r?.countOrNull("turnRear") ?? null,
});

const readTurn = (r: RecordReader): TurnFacts => ({
  principle: r.oneOf("principle", TURN_PRINCIPLES),
  leastA: r.number("leastA"),
  ratedA: r.number("ratedA"),
  ratePerMin: r.fact("ratePerMin"),
  onShare: r.number("onShare"),
  bulbW: r.fact("bulbW"),
});

const UNKNOWN: BoundedValue = { value: 0, low: 0, high: 0, provenance: "assumed" };
const UNKNOWN_SIZE: VehicleSize = { lengthM: UNKNOWN, widthM: UNKNOWN, heightM: UNKNOWN };

const readSize = (r: RecordReader): VehicleSize => ({
  lengthM: r.fact("lengthM"),
  widthM: r.fact("widthM"),
  heightM: r.fact("heightM"),
});

const readPlace = (r: RecordReader): MapPlace => ({
  id: asId<PlaceId>(r.id),
  name: r.text("name"),
  role: r.oneOf("role", PLACE_ROLES),
  backM: r.number("backM"),
  rightM: r.signed("rightM"),
});

const readSegment = (r: RecordReader): MapSegment => ({
  id: asId<SegmentId>(r.id),
  fromId: asId<PlaceId>(r.text("fromId")),
  toId: asId<PlaceId>(r.text("toId")),
  lengthM: r.fact("lengthM"),
  factory: r.oneOf("factory", ["true", "false"]) === "true",
  // Words that are no hazard stay for the contract's check, which names them.
  hazards: r
    .text("hazards")
    .split(" ")
    .filter((word) => word !== "") as Hazard[],
  note: r.text("note"),
});

function readVehicle(id: string, cells: readonly Cell[], faults: CsvFault[]): Vehicle {
  const firstLine = cells[0]?.line ?? 1;
  const groups = new Map<string, Map<string, Cell>>();
  for (const cell of cells) {
    const key = `${cell.row.record ?? ""}\u0000${cell.row.id ?? ""}`;
    const group = groups.get(key) ?? new Map<string, Cell>();
    group.set(cell.row.field ?? "", cell);
    groups.set(key, group);
  }
  const reader = (record: string, recordId: string): RecordReader =>
    new RecordReader(
      recordId,
      recordId === "" ? `${record} of ${id}` : `${record} "${recordId}" of ${id}`,
      groups.get(`${record}\u0000${recordId}`) ?? new Map(),
      faults,
      firstLine,
    );
  const one = (record: string): RecordReader => reader(record, "");
  const many = (record: string): RecordReader[] =>
    [...groups.keys()]
      .filter((key) => key.startsWith(`${record}\u0000`))
      .map((key) => reader(record, key.slice(record.length + 1)));
  const card = one("vehicle");
  const reaches = one("reaches");
  return {
    profileId: asId<ProfileId>(id),
    model: card.text("model"),
    kind: card.oneOf("kind", VEHICLE_KINDS),
    machine: card.text("machine"),
    note: card.text("note"),
    variants: many("variant").map((r): VehicleVariant => ({
      id: asId<VariantId>(r.id),
      name: r.text("name"),
    })),
    variant: asId<VariantId>(card.laterText("variant")),
    year: card.laterNumber("year", 0),
    turn: groups.has("turn\u0000") ? readTurn(one("turn")) : null,
    system: readSystem(one, many, card.oneOf("system", SYSTEM_KINDS)),
    factoryLamps: readCounts(groups.has("factoryLamps\u0000") ? one("factoryLamps") : null),
    beams: many("beam").map((r): FactoryBeam => ({
      id: r.id,
      name: r.text("name"),
      beam: r.oneOf("beam", BEAM_KINDS),
      heightM: r.fact("heightM"),
      backM: r.fact("backM"),
      rightM: r.signed("rightM"),
      tiltDeg: r.signed("tiltDeg"),
      photometry: r.photometry("photometry"),
    })),
    reaches: {
      frontM: reaches.fact("frontM"),
      rearM: reaches.fact("rearM"),
      controlsM: reaches.fact("controlsM"),
    },
    size: groups.has("size\u0000") ? readSize(one("size")) : UNKNOWN_SIZE,
    places: many("place").map(readPlace),
    segments: many("stretch").map(readSegment),
    baseLoads: many("load").map((r): BaseLoad => ({
      id: r.id,
      name: r.text("name"),
      kind: r.laterOneOf("kind", BASE_LOAD_KINDS, "other"),
      at: asId<PlaceId>(r.laterText("at")),
      currentA: r.fact("currentA"),
      parked: r.number("parked"),
      engineOff: r.number("engineOff"),
      idle: r.number("idle"),
      town: r.number("town"),
      cruise: r.number("cruise"),
    })),
    connectors: many("connector").map((r): Connector => ({
      id: asId<ConnectorId>(r.id),
      name: r.text("name"),
      where: r.text("where"),
      at: asId<PlaceId>(r.laterText("at")),
      cavities: r.laterNumber("cavities", 0),
      rows: r.laterNumber("rows", 0),
    })),
    pins: many("pin").map((r): ConnectorPin => ({
      id: asId<PinId>(r.id),
      connectorId: asId<ConnectorId>(r.text("connectorId")),
      supply: r.oneOf("supply", PIN_SUPPLIES),
      cavity: r.text("cavity"),
      colour: r.text("colour"),
      carries: r.text("carries"),
      family: r.oneOf("family", CIRCUIT_FAMILIES),
      liveWhen: r.oneOf("liveWhen", LIVE_WHEN),
      mayGiveA: r.fact("mayGiveA"),
      fuseA: r.number("fuseA"),
      switches: r.laterOneOf("switches", SWITCHED_SIDES, "positive"),
      variant: asId<VariantId>(r.laterText("variant")),
      foundBy: r.text("foundBy"),
      certainty: r.oneOf("certainty", CERTAINTIES),
    })),
  };
}

/** Reads vehicle profiles; every fault with its line, and nothing taken when there is one. */
export function readVehiclesCsv(text: string): CsvResult<readonly Vehicle[]> {
  const rows = readCsv(text, ["vehicle", "record", "id", "field", "value"]);
  if (!rows.ok) return rows;
  const byVehicle = new Map<string, Cell[]>();
  rows.value.forEach((row, i) => {
    const id = row.vehicle ?? "";
    byVehicle.set(id, [...(byVehicle.get(id) ?? []), { row, line: i + 2 }]);
  });
  const faults: CsvFault[] = [];
  const vehicles = [...byVehicle].map(([id, cells]) => readVehicle(id, cells, faults));
  return faults.length > 0 ? { ok: false, faults } : { ok: true, value: vehicles };
}
