import { fitBeam, type LampInPlace, type Photometry } from "../src/index.ts";

const RAD = Math.PI / 180;

/** A bell of so many cd and degrees each way, through five readings as anybody would take them. */
export function bell(peakCd: number, sigmaDeg: number): Photometry {
  const off = 10 * Math.tan(sigmaDeg * RAD);
  const lux = (peakCd / 100) * Math.exp(-0.5) * Math.cos(sigmaDeg * RAD) ** 3;
  const fit = fitBeam(
    {
      ...{ distanceM: 10, centreLux: peakCd / 100, sideM: off, heightM: off },
      ...{ leftLux: lux, rightLux: lux, aboveLux: lux, belowLux: lux },
    },
    "bell",
    "",
  );
  if (!fit.ok) throw new Error(fit.message);
  return fit.value;
}

/** A lamp 0.8 m above the middle of the road, level and straight ahead. */
export const lamp = (photometry: Photometry, more: Partial<LampInPlace> = {}): LampInPlace => ({
  ...{ id: "x", at: { ahead: 0, right: 0, up: 0.8 }, tiltDeg: 0, toeDeg: 0, photometry, share: 1 },
  ...more,
});

/** A flat glowing disc: intensity falls with the cosine (Lambert). */
export const lambert = (peak: number): Photometry => ({
  ...{ name: "disc", by: "", source: "invented", type: "C", lampLumens: null, watts: 0 },
  vertical: Array.from({ length: 181 }, (_, i) => i / 2),
  horizontal: [0],
  candela: Array.from({ length: 181 }, (_, i) => peak * Math.cos((i / 2 / 180) * Math.PI)),
});
