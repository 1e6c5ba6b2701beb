import type { Circuit } from "../circuit/index.ts";
import type { Job } from "../job/index.ts";
import type { BatteryFacts, ChargingFacts } from "../vehicle/index.ts";
import { SHIPPED_RIDES, usualRide } from "./rides.ts";
import { MIDDLE, simulateRide, type Draw, type Ride } from "./simulateRide.ts";

/** A ride starts from a battery that is nearly full. */
export const RIDE_START_SOC = 0.9;

/** Everything at the side of its bounds that leaves least in the battery. */
const AGAINST: Draw = { output: 0, base: 1, runs: 1, capacity: 0 };

/** One ride with what was added and without it, each worked out when it is asked for, without its curve. */
export interface RideEffect {
  readonly name: string;
  withLamps(): Ride;
  without(): Ride;
  /** The same with every fact at the side that leaves least. */
  worstWith(): Ride;
  worstWithout(): Ride;
}

/** What the added lamps do to the ride of the job, or to the usual one of its kind. */
export function rideEffect(
  job: Job,
  circuit: Circuit,
  charging: ChargingFacts,
  battery: BatteryFacts,
): RideEffect {
  const bare: Job = { ...job, runs: [] };
  const ride = (of: Job, draw: Draw): Ride =>
    simulateRide(of, circuit, charging, battery, RIDE_START_SOC, draw, "ends");
  return {
    name: job.ride.length > 0 ? rideName(job) : usualRide(job.vehicle.kind).name,
    withLamps: () => ride(job, MIDDLE),
    without: () => ride(bare, MIDDLE),
    worstWith: () => ride(job, AGAINST),
    worstWithout: () => ride(bare, AGAINST),
  };
}

/** A ride of the job's own by the shipped one it was made of, as far as its legs tell. */
function rideName(job: Job): string {
  const legs = job.ride.map((leg) => leg.name).join();
  const speeds = { idle: 0, town: 0, cruise: 0 };
  const made = SHIPPED_RIDES.find(
    (r) =>
      r
        .legs(speeds)
        .map((leg) => leg.name)
        .join() === legs,
  );
  return made?.name ?? "own ride";
}
