/**
 * When it is dark, against the equations of the solar calculator of NOAA (after Meeus, Astronomical Algorithms;
 * from memory), which share nothing with the library.
 */
import { DAY_MIN, dusk, readShopTime } from "../src/index.ts";

const RAD = Math.PI / 180;

/** Minutes of the day, UTC, at which the sun goes through a zenith angle in the evening; NaN for never. */
function noaaEvening(day: number, latitude: number, longitude: number, zenithDeg: number): number {
  const find = (guess: number): number => {
    const julian = (day + guess) / DAY_MIN + 2440587.5;
    const t = (julian - 2451545) / 36525;
    const meanLong = (280.46646 + t * (36000.76983 + t * 0.0003032)) % 360;
    const anomaly = 357.52911 + t * (35999.05029 - 0.0001537 * t);
    const excentricity = 0.016708634 - t * (0.000042037 + 0.0000001267 * t);
    const centre =
      Math.sin(anomaly * RAD) * (1.914602 - t * (0.004817 + 0.000014 * t)) +
      Math.sin(2 * anomaly * RAD) * (0.019993 - 0.000101 * t) +
      Math.sin(3 * anomaly * RAD) * 0.000289;
    const node = (125.04 - 1934.136 * t) * RAD;
    const apparent = meanLong + centre - 0.00569 - 0.00478 * Math.sin(node);
    const tilt0 = 23 + (26 + (21.448 - t * (46.815 + t * (0.00059 - t * 0.001813))) / 60) / 60;
    const tilt = (tilt0 + 0.00256 * Math.cos(node)) * RAD;
    const declination = Math.asin(Math.sin(tilt) * Math.sin(apparent * RAD));
    const y = Math.tan(tilt / 2) ** 2;
    const l2 = 2 * meanLong * RAD;
    const m = anomaly * RAD;
    const equation =
      (4 / RAD) *
      (y * Math.sin(l2) -
        2 * excentricity * Math.sin(m) +
        4 * excentricity * y * Math.sin(m) * Math.cos(l2) -
        0.5 * y * y * Math.sin(2 * l2) -
        1.25 * excentricity * excentricity * Math.sin(2 * m));
    const cosine =
      Math.cos(zenithDeg * RAD) / (Math.cos(latitude * RAD) * Math.cos(declination)) -
      Math.tan(latitude * RAD) * Math.tan(declination);
    return 720 - 4 * longitude - equation + (4 / RAD) * Math.acos(cosine);
  };
  // The sun moves on while the day goes by: once more with the moment that was found.
  return find(find(720));
}

const PLACES = [
  { latitude: 54.5, longitude: -2.9, zone: "UTC" },
  { latitude: 0.2, longitude: 36.1, zone: "UTC" },
  { latitude: -41.3, longitude: 20, zone: "UTC" },
  { latitude: 40, longitude: -30.5, zone: "UTC" },
];

describe("the evening", () => {
  it("is within a minute of what NOAA's equations give, all through the year", () => {
    const first = readShopTime("2026-01-03")!;
    let compared = 0;
    for (const place of PLACES) {
      for (let day = first; day < first + 365 * DAY_MIN; day += 9 * DAY_MIN) {
        const { latitude, longitude } = place;
        const dark = noaaEvening(day, latitude, longitude, 96);
        if (Number.isNaN(dark)) continue;
        compared += 1;
        expect(Math.abs(dusk(day, place)! - day - dark)).toBeLessThanOrEqual(1.01);
      }
    }
    expect(compared).toBeGreaterThan(150);
  });

  it("is by the clocks of the place, and none where the sun does not go down", () => {
    const day = readShopTime("2026-12-01")!;
    const here = { latitude: 52.5, longitude: 13.4 };
    const utc = dusk(day, { ...here, zone: "UTC" })!;
    expect(dusk(day, { ...here, zone: "Europe/Berlin" })! - utc).toBe(60);
    const north = { latitude: 70, longitude: 20, zone: "UTC" };
    expect(dusk(readShopTime("2026-06-21")!, north)).toBeNull();
  });
});
