import type { PlaceId, ProfileId, SegmentId } from "../../job/ids.ts";
import { assumed, type BoundedValue } from "../../quantity/index.ts";
import type { VehicleKind } from "../kinds.ts";
import type { MapPlace, MapSegment, VehicleSize } from "../routeMap.ts";
import { USUAL } from "./usualFacts.ts";
import type { ElectricalSystem, SystemKind, Vehicle } from "../vehicle.ts";

/** A way between two places is longer than the measures say: up, down and around. */
const AROUND = 1.2;
/** What a wire goes up or down at the least between two places, in m. */
const RISE_M = 0.15;

const rounded = (m: number): number => Math.round(m * 20) / 20;

const between = (a: MapPlace, b: MapPlace): BoundedValue => {
  const m = (Math.abs(a.backM - b.backM) + Math.abs(a.rightM - b.rightM)) * AROUND + RISE_M;
  return assumed(rounded(m), rounded(m * 0.6), rounded(m * 1.6));
};

/** Outer measures as they usually are for a kind, all guessed. */
export const usualSize = (kind: VehicleKind): VehicleSize => {
  const [lengthM, widthM, heightM] = USUAL[kind].size;
  return { lengthM, widthM, heightM };
};

/** Where things usually sit on a vehicle of a kind, and the ways between them, all guessed. */
function usualMap(kind: VehicleKind, size: VehicleSize): Pick<Vehicle, "places" | "segments"> {
  const places = USUAL[kind].places.map(([id, name, role, back, right]): MapPlace => ({
    id: id as PlaceId,
    name,
    role,
    backM: rounded(back * size.lengthM.value),
    rightM: rounded(right * size.widthM.value),
  }));
  const at = new Map<string, MapPlace>(places.map((p) => [p.id, p]));
  const segments = USUAL[kind].ways.flatMap(([from, to]): MapSegment[] => {
    const [a, b] = [at.get(from), at.get(to)];
    if (!a || !b) return [];
    const id = `${from}-${to}` as SegmentId;
    return [
      {
        id,
        fromId: a.id,
        toId: b.id,
        lengthM: between(a, b),
        // Nobody has seen a loom there yet.
        factory: false,
        hazards: [],
        note: "",
      },
    ];
  });
  return { places, segments };
}

/** Electrics of a sort, as they usually are on a vehicle of a kind: every fact assumed. */
export function usualSystem(kind: VehicleKind, sort: SystemKind): ElectricalSystem {
  const { battery, charging, pack } = USUAL[kind].electrics;
  switch (sort) {
    case "engine":
      return { kind: sort, battery, charging };
    case "pack":
      return { kind: sort, pack };
    case "packAndBattery":
      return { kind: sort, pack, battery };
  }
}

/** A vehicle of a kind of which nobody knows anything yet: what is usual, every fact assumed. */
export function usualVehicle(kind: VehicleKind, profileId: ProfileId, model: string): Vehicle {
  const size = usualSize(kind);
  return {
    ...{ profileId, model, kind, machine: "", note: "", variants: [], variant: "", year: 0 },
    system: usualSystem(kind, USUAL[kind].electrics.kind),
    turn: null,
    factoryLamps: {
      ...{ headlight: null, rearPosition: null, stop: null },
      ...{ turnFront: null, turnRear: null },
    },
    reaches: USUAL[kind].reaches,
    size,
    ...usualMap(kind, size),
    ...{ beams: [], baseLoads: [], connectors: [], pins: [] },
  };
}
