import { Body, Observer, SearchAltitude } from "astronomy-engine";
import { DAY_MIN, shopTimeOf, type ShopTime } from "./shopTime.ts";

/** A place on the earth, degrees: north and east are positive. */
export interface Place {
  readonly latitude: number;
  readonly longitude: number;
  /** IANA name of the zone that its clocks go by. */
  readonly zone: string;
}

/** The sun so far below the horizon, degrees: the end of civil twilight. */
const DARK = -6;

/** Half a minute, so that a moment is told by the nearest one, ms. */
const HALF_MINUTE_MS = 30_000;

/** A moment before anything of the day at a place, in UTC: its own noon less half a day. */
const dayStart = (day: ShopTime, longitude: number): Date =>
  new Date((day - (longitude / 360) * DAY_MIN) * 60_000);

/** What was asked of the sun: a plan asks the same evenings again and again. */
const asked = new Map<string, ShopTime | null>();
const MOST_ASKED = 4000;

/**
 * When it is dark enough on a day to see a beam on a wall: the end of civil twilight (the sun 6° down). null where
 * it never is, as in summer far north, or always is.
 */
export function dusk(day: ShopTime, place: Place): ShopTime | null {
  const key = `${day} ${place.latitude} ${place.longitude} ${place.zone}`;
  const known = asked.get(key);
  if (known !== undefined) return known;
  const at = new Observer(place.latitude, place.longitude, 0);
  const dark = SearchAltitude(Body.Sun, at, -1, dayStart(day, place.longitude), 1, DARK);
  const evening = dark
    ? shopTimeOf(new Date(dark.date.getTime() + HALF_MINUTE_MS), place.zone)
    : null;
  if (asked.size >= MOST_ASKED) asked.clear();
  asked.set(key, evening);
  return evening;
}
