import { editFrom } from "../job/index.ts";
import type { Edit } from "../job/index.ts";
import type { BoundedValue } from "../quantity/index.ts";
import type { Vehicle } from "../vehicle/index.ts";

/** A number of a vehicle that somebody can measure. */
export interface VehicleFact {
  /** The same on every machine of a model: "battery.capacityAh", "output at 2000 rpm". */
  readonly key: string;
  readonly words: string;
  readonly unit: string;
  readonly fact: BoundedValue;
  /** Says it anew. */
  readonly set: (fact: BoundedValue) => Edit;
}

type Once = "battery" | "charging" | "pack" | "reaches" | "turn" | "size";

const BATTERY = [
  ["capacityAh", "battery capacity", "Ah"],
  ["peukert", "Fades faster at high draw (Peukert)", ""],
  ["noStartSoc", "charge below which it does not start", ""],
  ["chargerA", "charger of the battery", "A"],
] as const;

const CHARGING = [
  ["regulatedV", "regulated voltage", "V"],
  ["idleRpm", "idle speed", "rpm"],
  ["townRpm", "town speed", "rpm"],
  ["cruiseRpm", "cruise speed", "rpm"],
] as const;

const PACK = [
  ["capacityAh", "pack capacity", "Ah"],
  ["topOfChargeV", "pack at top of charge", "V"],
  ["resistanceOhm", "pack resistance", "Ω"],
  ["chargerA", "charger of the pack", "A"],
  ["rangeKm", "goes on a charge", "km"],
] as const;

const REACHES = [
  ["frontM", "battery to front", "m"],
  ["rearM", "battery to rear", "m"],
  ["controlsM", "battery to controls", "m"],
] as const;

const TURN = [
  ["ratePerMin", "turn signal rate", "a minute"],
  ["bulbW", "turn bulbs a side", "W"],
] as const;

const SIZE = [
  ["lengthM", "length", "m"],
  ["widthM", "width", "m"],
  ["heightM", "height", "m"],
] as const;

type Row<F extends string> = readonly [field: F, words: string, unit: string];

const once = <F extends string>(
  entity: Once,
  of: Readonly<Record<F, BoundedValue>>,
  rows: readonly Row<F>[],
): VehicleFact[] =>
  rows.map(([field, words, unit]) => ({
    key: `${entity}.${field}`,
    ...{ words, unit, fact: of[field] },
    set: (value) => editFrom({ kind: "setOnce", entity, field, value }),
  }));

const entryOf = (
  entity: "baseLoad" | "chargingPoint" | "segment" | "pin" | "beam",
  id: string,
  field: string,
): VehicleFact["set"] => {
  return (value) => editFrom({ kind: "set", entity, id, field, value });
};

/** A name as a key has it: people write "Head lamp" and "head  lamp" for the same. */
export const folded = (name: string): string =>
  name.normalize("NFKC").toLowerCase().replace(/\s+/g, " ").trim();

/** The same, no key twice: two of one name are told apart by their order, as on every copy of a profile. */
export function keyedApart<T extends { readonly key: string }>(all: readonly T[]): T[] {
  const seen = new Map<string, number>();
  return all.map((one) => {
    const count = (seen.get(one.key) ?? 0) + 1;
    seen.set(one.key, count);
    return count === 1 ? one : { ...one, key: `${one.key} #${count}` };
  });
}

/** Which pin it is, on every machine of the model: its plug and cavity. */
export function pinKey(vehicle: Vehicle, pin: Vehicle["pins"][number]): string {
  const plug = vehicle.connectors.find(({ id }) => id === pin.connectorId)?.name ?? "";
  return `wire ${folded(plug)} / ${folded(pin.cavity)}`;
}

/** The same for people: "Rear lamp plug, cavity 5". */
export function pinWords(vehicle: Vehicle, pin: Vehicle["pins"][number]): string {
  const plug = vehicle.connectors.find(({ id }) => id === pin.connectorId)?.name ?? "";
  return `${plug}, cavity ${pin.cavity}`;
}

/** Everything about a vehicle that is a number with bounds, in the order people measure it. */
export function vehicleFacts(vehicle: Vehicle): VehicleFact[] {
  const { system, turn } = vehicle;
  const place = new Map<string, string>(vehicle.places.map(({ id, name }) => [id, name]));
  const facts = [
    ...(system.kind === "engine"
      ? [
          ...system.charging.points.map((point): VehicleFact => ({
            key: `output at ${point.rpm} rpm`,
            words: `charging output at ${point.rpm} rpm`,
            ...{ unit: "A", fact: point.outputA },
            set: entryOf("chargingPoint", point.id, "outputA"),
          })),
          ...once("charging", system.charging, CHARGING),
        ]
      : once("pack", system.pack, PACK)),
    ...(system.kind === "pack" ? [] : once("battery", system.battery, BATTERY)),
    ...vehicle.baseLoads.map((load): VehicleFact => ({
      key: `load ${folded(load.name)}`,
      ...{ words: load.name, unit: "A", fact: load.currentA },
      set: entryOf("baseLoad", load.id, "currentA"),
    })),
    ...(turn ? once("turn", turn, TURN) : []),
    ...once("reaches", vehicle.reaches, REACHES),
    ...once("size", vehicle.size, SIZE),
    ...vehicle.segments.map((segment): VehicleFact => {
      const ends = [place.get(segment.fromId) ?? "", place.get(segment.toId) ?? ""];
      return {
        key: `way ${ends.map(folded).sort().join(" to ")}`,
        ...{ words: `${ends[0]} to ${ends[1]}`, unit: "m", fact: segment.lengthM },
        set: entryOf("segment", segment.id, "lengthM"),
      };
    }),
    ...vehicle.pins.map((pin): VehicleFact => {
      return {
        key: `${pinKey(vehicle, pin)} gives`,
        words: `${pinWords(vehicle, pin)}, most amps`,
        ...{ unit: "A", fact: pin.mayGiveA },
        set: entryOf("pin", pin.id, "mayGiveA"),
      };
    }),
    ...vehicle.beams.flatMap((beam) =>
      (["heightM", "backM"] as const).map((field): VehicleFact => ({
        key: `beam ${folded(beam.name)} ${field}`,
        words: `${beam.name}, ${field === "heightM" ? "height" : "behind the front"}`,
        ...{ unit: "m", fact: beam[field] },
        set: entryOf("beam", beam.id, field),
      })),
    ),
  ];
  return keyedApart(facts);
}
