import { onceOf, onceOfPair, type Job, type PlaceId } from "../job/index.ts";
import {
  PROVENANCES,
  assumed,
  measured,
  type BoundedValue,
  type Provenance,
} from "../quantity/index.ts";
import type { Hazard } from "../vehicle/index.ts";
import { waysFrom, type MapWay } from "./waysFrom.ts";

/** Wire that a hazard needs beyond the stretch itself, in m: common practice, figures assumed. */
export const SLACK_M: Readonly<Record<Hazard, number>> = {
  fork: 0.08,
  suspension: 0.05,
  seat: 0.1,
  moving: 0,
  sharp: 0,
  panel: 0,
  hot: 0,
  water: 0,
};

const ZERO: BoundedValue = { value: 0, low: 0, high: 0, provenance: "measured" };
/** Between two things at one place, in m: common practice, figures assumed. */
export const SAME_PLACE = assumed(0.3, 0.2, 0.5);

const worse = (a: Provenance, b: Provenance): Provenance =>
  PROVENANCES.indexOf(a) > PROVENANCES.indexOf(b) ? a : b;

const plus = (a: BoundedValue, b: BoundedValue): BoundedValue => ({
  value: a.value + b.value,
  low: a.low + b.low,
  high: a.high + b.high,
  provenance: worse(a.provenance, b.provenance),
});

const tidy = (m: number): number => Math.round(m * 1000) / 1000;

/**
 * Length of a way with its slack, in m; bounds and provenance come from its stretches. Added up once a way:
 * many wires go the same, and most edits leave the map alone.
 */
export const lengthOf = onceOf((way: MapWay): BoundedValue => {
  if (way.segments.length === 0) return SAME_PLACE;
  const sum = way.segments.reduce((total, segment) => {
    const slack = segment.hazards.reduce((m, hazard) => m + SLACK_M[hazard], 0);
    return plus(total, plus(segment.lengthM, measured(slack, slack, slack)));
  }, ZERO);
  return { ...sum, value: tidy(sum.value), low: tidy(sum.low), high: tidy(sum.high) };
});

type FromPlace = Map<PlaceId, ReadonlyMap<PlaceId, MapWay>>;

/** Ways found already, by the stretches they lead over: most edits leave the map alone. */
const foundOn = onceOfPair(
  (_segments: Job["vehicle"]["segments"], _places: Job["vehicle"]["places"]): FromPlace =>
    new Map(),
);

/** The map with every way over it found once. */
export class Ways {
  private readonly from: FromPlace;
  constructor(private readonly job: Job) {
    this.from = foundOn(job.vehicle.segments, job.vehicle.places);
  }

  /** Every way from a place. (No function kept in a field: engines keep such a one, and with it the job, for long.) */
  of(place: PlaceId): ReadonlyMap<PlaceId, MapWay> {
    const known = this.from.get(place);
    if (known) return known;
    const { places, segments } = this.job.vehicle;
    const found = waysFrom(places, segments, place);
    this.from.set(place, found);
    return found;
  }

  between(a: PlaceId | null, b: PlaceId | null): MapWay | null {
    return a === null || b === null ? null : (this.of(a).get(b) ?? null);
  }
}
