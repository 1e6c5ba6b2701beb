import { SHAPE_VERSION, upgradeVehicle } from "../job/index.ts";
import type { Vehicle } from "../vehicle/index.ts";
import { machineOf, type Measurement } from "./measurement.ts";

/** Format of files that shops hand each other of a model. */
export const MODEL_FORMAT = "dragonet-model/1";

/** What a shop knows of a model, as an open file for other shops. */
export interface ModelFile {
  readonly format: typeof MODEL_FORMAT;
  /** Version of the vehicle's shape, as of jobs. */
  readonly shape: number;
  /** Whose it is. */
  readonly shop: string;
  /** Day it was made, ISO date. */
  readonly day: string;
  readonly vehicle: Vehicle;
  readonly measurements: readonly Measurement[];
}

/**
 * The file of a model. Machines are told apart in it and not named, people are left out: plates and names are
 * of the shop's customers and of nobody else.
 */
export function modelFileOf(
  shop: string,
  day: string,
  vehicle: Vehicle,
  measurements: readonly Measurement[],
): ModelFile {
  const numbers = new Map<string, number>();
  const numbered = (one: Measurement): string => {
    const key = machineOf(one);
    const number = numbers.get(key) ?? numbers.size + 1;
    numbers.set(key, number);
    return `machine ${number}`;
  };
  return {
    format: MODEL_FORMAT,
    shape: SHAPE_VERSION,
    ...{ shop, day },
    vehicle: {
      ...vehicle,
      ...{ machine: "", variant: "" as const },
      pins: vehicle.pins.map((pin) => ({ ...pin, foundBy: pin.foundBy === "" ? "" : shop })),
    },
    measurements: measurements.map((one) => ({
      ...one,
      ...{ machine: numbered(one), who: "", jobId: "", from: one.from === "" ? shop : one.from },
    })),
  };
}

/** A file of an earlier version with its vehicle as this program's; anything else as it is. */
export function upgradeModelFile(plain: unknown): unknown {
  if (typeof plain !== "object" || plain === null || !("vehicle" in plain)) return plain;
  const { shape, vehicle } = plain as Partial<ModelFile>;
  if (typeof shape !== "number" || shape >= SHAPE_VERSION) return plain;
  if (typeof vehicle !== "object") return plain;
  return { ...plain, shape: SHAPE_VERSION, vehicle: upgradeVehicle(vehicle, shape) };
}
