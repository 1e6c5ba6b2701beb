import { itemAt } from "../present/index.ts";
import type { Job, Lamp, PlaceId, LightingCircuit } from "../job/index.ts";
import type { PlaceRole } from "../vehicle/index.ts";
import type { Ways } from "./ways.ts";

/** The place that has a role on this vehicle; null where the map has none. */
export const placeWithRole = (job: Job, ...roles: readonly PlaceRole[]): PlaceId | null => {
  for (const role of roles) {
    const place = job.vehicle.places.find((p) => p.role === role);
    if (place) return place.id;
  }
  return null;
};

const chosen = (at: PlaceId | "", usual: PlaceId | null): PlaceId | null =>
  at === "" ? usual : at;

/** Where a run's own relay, or the hub or board that works it, sits. */
export function relaySite(job: Job, run: LightingCircuit): PlaceId | null {
  const { feed } = run;
  const supply =
    feed.kind === "supply" ? job.supplies.find((s) => s.id === feed.supplyId) : undefined;
  const usual = supply ? supplySite(job, supply.at) : placeWithRole(job, "electrics", "battery");
  return chosen(run.relayAt, usual);
}

export const switchSite = (job: Job, run: LightingCircuit): PlaceId | null =>
  chosen(run.switchAt, placeWithRole(job, "controls"));

export const supplySite = (job: Job, at: PlaceId | ""): PlaceId | null =>
  chosen(at, placeWithRole(job, "electrics", "battery"));

export const controlSite = (job: Job, at: PlaceId | ""): PlaceId | null =>
  chosen(at, placeWithRole(job, "controls"));

/** A lamp at neither end says itself where it sits: left and right are no places. */
export function lampSite(job: Job, lamp: Lamp): PlaceId | null {
  const usual =
    lamp.place === "front" || lamp.place === "rear" ? placeWithRole(job, lamp.place) : null;
  return chosen(lamp.at, usual);
}

/** Of places that cost the same wire the one nearest the lamps: the trunk is the thicker wire. */
const TOWARDS_LAMPS = 0.001;

/** Where a run's lamps part: the place from which its wires are shortest altogether. */
export function spliceSite(job: Job, run: LightingCircuit, all: Pick<Ways, "of">): PlaceId | null {
  if (run.spliceAt !== "") return run.spliceAt;
  const lamps = job.lamps.filter((l) => l.runId === run.id).flatMap((l) => lampSite(job, l) ?? []);
  const relay = relaySite(job, run);
  const ends = relay === null ? lamps : [relay, ...lamps];
  if (lamps.length === 0) return null;
  let best: PlaceId | null = null;
  let least = Infinity;
  for (const place of job.vehicle.places) {
    const ways = all.of(place.id);
    const costTo = (end: PlaceId): number => ways.get(end)?.cost ?? Infinity;
    const branches = lamps.reduce((sum, end) => sum + costTo(end), 0);
    const cost = ends.reduce((sum, end) => sum + costTo(end), 0) + TOWARDS_LAMPS * branches;
    if (cost < least) [best, least] = [place.id, cost];
  }
  return best ?? itemAt(lamps, 0);
}
