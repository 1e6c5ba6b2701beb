import {
  SEEN_LUX,
  bestAim,
  correctionOf,
  decimal,
  factoryLights,
  glareAt,
  lampsOf,
  litTogether,
  luxAt,
  oncomingEyes,
  pairsApart,
  seeingDistance,
  spillShare,
  spreadAt,
  staysWhenDipped,
  undoText,
  wallMarks,
  type Job,
  type WallMark,
} from "@dragonet/core";
import { printJson, type ExitCode, type World } from "../world.ts";

const markJson = (mark: WallMark) => {
  const { mount, lamp, aim, rule } = mark;
  const last = aim.errors.at(-1);
  return {
    mount: mount.id,
    lamp: lamp.label,
    side: mount.side,
    beam: aim.beam,
    wantedTiltDeg: mount.wantedTiltDeg,
    toeDeg: aim.toeDeg,
    lampM: { right: mark.lampRightM, up: mark.lampUpM },
    markM: { right: mark.markRightM, up: mark.markUpM },
    rangeUpM: [mark.lowUpM, mark.highUpM],
    meetsGroundM: mark.groundM,
    behind: mark.behind,
    withinRule: mark.withinRule,
    rule: { place: rule.place, of: rule.of, source: rule.source },
    error: last ?? null,
    correction: last ? correctionOf(last, aim, mount.footMm) : null,
  };
};

function lightOf(job: Job) {
  const { lamps, without, behind } = lampsOf(job);
  const own = factoryLights(job);
  const stays = staysWhenDipped(job);
  const dipped = lamps.filter((lamp) => stays.has(lamp.runId));
  const eyes = oncomingEyes(job.aiming.keeps);
  const { darkPlace } = job.aiming;
  const best = bestAim(dipped, { eyes, cd: job.aiming.glareCd });
  const dark = darkPlace && {
    name: darkPlace.name,
    mostLux: darkPlace.mostLux,
    lux: lamps.reduce(
      (sum, lamp) =>
        sum +
        luxAt(
          lamp,
          { ahead: darkPlace.aheadM, right: darkPlace.rightM, up: darkPlace.upM },
          "facing",
        ),
      0,
    ),
  };
  return {
    lamps: lamps.map(({ id, label, share }) => ({ mount: id, lamp: label, share })),
    withoutPhotometry: without.map(({ id }) => id),
    shiningBack: behind.map(({ id }) => id),
    seeing: { lux: SEEN_LUX, metres: seeingDistance(lamps) },
    before: {
      lamps: own.map(({ label, beam }) => ({ lamp: label, beam })),
      seeingM: own.length === 0 ? null : seeingDistance(own),
      glare: glareAt(
        own.filter(({ beam }) => beam !== "driving"),
        eyes,
      ).map(({ eye, lux, cd }) => ({ atM: eye.ahead, lux, cd })),
    },
    together: litTogether(job, lamps),
    spreadAt10M: spreadAt(lamps, 10),
    spillShare: spillShare(lamps),
    glare: {
      keeps: job.aiming.keeps,
      limitCd: job.aiming.glareCd,
      /** Lamps that stay lit when the high beam is dipped. */
      dippedLamps: dipped.map(({ id }) => id),
      eyes: glareAt(dipped, eyes).map(({ eye, lux, cd }) => ({ metres: eye.ahead, lux, cd })),
    },
    darkPlace: dark,
    bestAim:
      best && dipped.length > 0
        ? {
            lamps: best.lamps.map(({ id, tiltDeg, toeDeg }) => ({ mount: id, tiltDeg, toeDeg })),
            glareCd: best.glareCd,
            seeingM: seeingDistance(best.lamps),
            heldByEyeAtM: best.held?.eye.ahead ?? null,
          }
        : null,
  };
}

/** Marks on the wall, what was off and what undoes it, and what the lamps do on the road. */
export function writeAim(
  job: Job,
  distance: string | undefined,
  json: boolean,
  world: World,
): ExitCode {
  const distanceM = distance === undefined ? job.aiming.distanceM : Number(distance);
  if (!(distanceM >= 0.5 && distanceM <= 100)) {
    world.err(`invalid distance: ${distance} (metres from lamp to wall, 0.5 to 100)\n`);
    return 2;
  }
  const marks = wallMarks(job, distanceM);
  if (json) {
    printJson(world, {
      distanceM,
      marks: marks.map(markJson),
      pairs: pairsApart(job),
      light: lightOf(job),
    });
    return 0;
  }
  if (marks.length === 0) world.out("No lamp that throws light has a place yet.\n");
  else world.out(`Wall at ${decimal(distanceM, 2)} m, over level ground\n`);
  for (const { lamp, mount, markRightM, markUpM, groundM, rule, aim, withinRule } of marks) {
    const side = markRightM < 0 ? "left" : "right";
    const where =
      groundM === null
        ? `${decimal(1000 * markUpM, 0)} mm up, ${decimal(1000 * Math.abs(markRightM), 0)} mm ${side} of the middle`
        : `on the ground after ${decimal(groundM, 2)} m`;
    world.out(`  ${lamp.label} (${mount.side}, ${aim.beam}): ${rule.of} ${where}\n`);
    if (!withinRule) world.out(`    outside the rule: ${rule.source}\n`);
    const last = aim.errors.at(-1);
    if (!last) continue;
    world.out(
      `    off ${last.upMm} mm up, ${last.rightMm} mm right: ${undoText(last, aim, mount.footMm)}\n`,
    );
  }
  return 0;
}
