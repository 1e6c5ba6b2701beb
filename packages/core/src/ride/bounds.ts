import { itemAt } from "../present/index.ts";
import type { Circuit } from "../circuit/index.ts";
import type { Job } from "../job/index.ts";
import type { BatteryFacts, ChargingFacts } from "../vehicle/index.ts";
import { simulateRide, type Ride } from "./simulateRide.ts";

/** Where nine of ten samples lie, at one minute of a ride. */
export interface RideBand {
  readonly minute: number;
  readonly low: number;
  readonly mid: number;
  readonly high: number;
}

/** Between which charges a ride may end, minute by minute. */
export interface RideBounds {
  readonly band: readonly RideBand[];
  readonly endLow: number;
  readonly endHigh: number;
  /** Share of the samples in which it is not trusted to start at some time, 0–1. */
  readonly noStartShare: number;
  readonly samples: number;
}

const at = (ride: Ride, minute: number): number => {
  const next = ride.points.findIndex((p) => p.minute >= minute);
  return itemAt(ride.points, next < 0 ? ride.points.length - 1 : next).soc;
};

const share = (sorted: readonly number[], q: number): number =>
  itemAt(sorted, Math.min(sorted.length - 1, Math.floor(q * sorted.length)));

/** What the samples of a ride are kept by, so that slices of them can be joined. */
export interface RideSamples {
  readonly minutes: readonly number[];
  /** State of charge at each of those minutes, one row a sample. */
  readonly socs: readonly (readonly number[])[];
  readonly ends: readonly number[];
  readonly noStarts: number;
}

const MARKS = 48;

/**
 * The same ride so many times, each fact drawn within its bounds; `random` gives numbers of
 * 0–1 and is handed in, so that a seed repeats it.
 */
export function rideSamples(
  job: Job,
  circuit: Circuit,
  charging: ChargingFacts,
  battery: BatteryFacts,
  startSoc: number,
  random: () => number,
  samples: number,
): RideSamples {
  const rides: Ride[] = [];
  for (let n = 0; n < samples; n += 1) {
    const draw = { output: random(), base: random(), runs: random(), capacity: random() };
    rides.push(simulateRide(job, circuit, charging, battery, startSoc, draw));
  }
  const last = rides[0]?.points[rides[0].points.length - 1]?.minute ?? 0;
  const minutes = Array.from({ length: MARKS + 1 }, (_, i) => (last * i) / MARKS);
  return {
    minutes,
    socs: rides.map((ride) => minutes.map((minute) => at(ride, minute))),
    ends: rides.map((ride) => ride.endSoc),
    noStarts: rides.filter((ride) => ride.noStartMinute !== null).length,
  };
}

/** Where nine of ten samples lie, over slices of them; null for none. */
export function boundsOfRides(slices: readonly RideSamples[]): RideBounds | null {
  const [first] = slices;
  if (!first) return null;
  const socs = slices.flatMap((s) => s.socs);
  const band = first.minutes.map((minute, i): RideBand => {
    const sorted = socs.map((row) => itemAt(row, i)).sort((a, b) => a - b);
    return { minute, low: share(sorted, 0.05), mid: share(sorted, 0.5), high: share(sorted, 0.95) };
  });
  const ends = slices.flatMap((s) => s.ends).sort((a, b) => a - b);
  return {
    band,
    endLow: share(ends, 0.05),
    endHigh: share(ends, 0.95),
    noStartShare: slices.reduce((n, s) => n + s.noStarts, 0) / socs.length,
    samples: socs.length,
  };
}

/** A plain generator of numbers of 0–1 from a seed (mulberry32, public domain). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
