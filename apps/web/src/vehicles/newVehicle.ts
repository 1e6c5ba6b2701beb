import { asId, assumed, type ElectricalSystem, type ProfileId, type Vehicle } from "@dragonet/core";
import { mint } from "../base/mint.ts";

const battery = {
  chemistry: "agm" as const,
  cells: 0,
  capacityAh: assumed(12),
  hourRate: 10,
  peukert: assumed(1.15, 1.1, 1.25),
  noStartSoc: assumed(0.5, 0.4, 0.6),
  chargerA: assumed(0, 0, 0),
};

const pack = {
  chemistry: "leadBlocks" as const,
  nominalV: 48,
  blocks: 6,
  cells: 24,
  capacityAh: assumed(150),
  topOfChargeV: assumed(57.6, 52, 58.5),
  resistanceOhm: assumed(0.04, 0.02, 0.08),
  chargerA: assumed(15),
  inletV: 230,
  rangeKm: assumed(40),
};

/** A blank electrical system of a kind, every fact assumed until somebody looks. */
export function newSystem(kind: ElectricalSystem["kind"]): ElectricalSystem {
  switch (kind) {
    case "engine":
      return {
        kind,
        battery,
        charging: {
          kind: "stator",
          regulatedV: assumed(14, 13.5, 14.5),
          idleRpm: assumed(1400),
          townRpm: assumed(3000),
          cruiseRpm: assumed(4500),
          points: [
            { id: "point-1", rpm: 1200, outputA: assumed(8) },
            { id: "point-2", rpm: 5000, outputA: assumed(20) },
          ],
        },
      };
    case "pack":
      return { kind, pack };
    case "packAndBattery":
      return { kind, pack, battery };
  }
}

export const newVehicle = (): Vehicle => ({
  profileId: asId<ProfileId>(mint("vehicle")),
  model: "New model",
  kind: "quad",
  machine: "",
  note: "",
  variants: [],
  variant: "",
  year: 0,
  system: newSystem("engine"),
  turn: null,
  factoryLamps: {
    ...{ headlight: null, rearPosition: null, stop: null },
    ...{ turnFront: null, turnRear: null },
  },
  reaches: { frontM: assumed(1.5), rearM: assumed(1.2), controlsM: assumed(1.2) },
  size: {
    lengthM: assumed(2, 1.5, 2.6),
    widthM: assumed(0.9, 0.7, 1.3),
    heightM: assumed(1.2, 1, 1.8),
  },
  places: [],
  segments: [],
  beams: [],
  baseLoads: [],
  connectors: [],
  pins: [],
});
