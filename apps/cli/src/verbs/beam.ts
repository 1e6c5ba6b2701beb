import {
  decimal,
  intensity,
  lumensOf,
  luxAt,
  peakCd,
  readIes,
  readLdt,
  type LampInPlace,
  type Photometry,
} from "@dragonet/core";
import { printJson, type ExitCode, type World } from "../world.ts";

function pointOf(text: string): readonly [number, number, number] | null {
  const numbers = text.split(",").map((word) => (word.trim() === "" ? NaN : Number(word)));
  const [x, y, z] = numbers;
  if (numbers.length !== 3 || x === undefined || y === undefined || z === undefined) return null;
  return numbers.every(Number.isFinite) && Math.hypot(x, y, z) > 0 ? [x, y, z] : null;
}

const lampOf = (photometry: Photometry): LampInPlace => ({
  ...{ id: "lamp", at: { ahead: 0, right: 0, up: 0 }, tiltDeg: 0, toeDeg: 0, share: 1 },
  photometry,
});

/** What a lamp of a photometric file sends to a point: ahead of it, to its right, up; m. */
export function writeBeam(
  text: string,
  path: string,
  at: string | undefined,
  json: boolean,
  world: World,
): ExitCode {
  const read = /\.ldt$/i.test(path) ? readLdt(text) : readIes(text);
  if (!read.ok) {
    world.err(`${path}: line ${read.line}: ${read.message}\n`);
    return 2;
  }
  const point = at === undefined ? null : pointOf(at);
  if (at !== undefined && !point) {
    world.err(`invalid point: ${at} (metres ahead, right and up of the lamp, such as 10,0,-0.5)\n`);
    return 2;
  }
  const photometry = read.value;
  const lumens = lumensOf(photometry);
  const [ahead = 0, right = 0, up = 0] = point ?? [];
  const place = { ahead, right, up };
  const lamp = lampOf(photometry);
  const there = point && {
    at: { ...place },
    distanceM: Math.hypot(ahead, right, up),
    candela: intensity(photometry, place),
    luxFacing: luxAt(lamp, place, "facing"),
    luxUpright: luxAt(lamp, place, "upright"),
    luxLevel: luxAt(lamp, place, "level"),
  };
  if (json) {
    printJson(world, {
      name: photometry.name,
      by: photometry.by,
      type: photometry.type,
      peakCandela: peakCd(photometry),
      lumens,
      lampLumens: photometry.lampLumens,
      watts: photometry.watts,
      point: there,
    });
    return 0;
  }
  const stated = photometry.lampLumens;
  world.out(
    `${photometry.name || path}: type ${photometry.type}, ${decimal(peakCd(photometry), 0)} cd at most, ${decimal(lumens, 0)} lm` +
      `${stated === null ? "" : ` of the ${decimal(stated, 0)} lm that it states`}\n`,
  );
  if (there) {
    world.out(
      `  ${decimal(there.candela, 1)} cd there; ${decimal(there.luxFacing, 2)} lx turned to the lamp, ` +
        `${decimal(there.luxUpright, 2)} lx on a wall, ${decimal(there.luxLevel, 2)} lx on the ground\n`,
    );
  }
  return 0;
}
