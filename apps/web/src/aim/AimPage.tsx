import { useCallback, useMemo, useState } from "react";
import { Link } from "react-router";
import { pairsApart, setAim, setIn, wallMarks, type Job, type WallMark } from "@dragonet/core";
import { mint } from "../app/mint.ts";
import { useCanEdit, useMe } from "../app/session.ts";
import { useEdit, useJob } from "../job/jobStore.ts";
import { useOfJob } from "../job/useOfJob.ts";
import { Button } from "../ui/Button.tsx";
import { Section } from "../ui/Section.tsx";
import { Empty, Loading } from "../ui/states.tsx";
import type { LightOf, LightRequest, Turned } from "../worker/light.ts";
import { planner } from "../worker/planner.ts";
import { AimRow } from "./AimRow.tsx";
import { LightSection } from "./LightSection.tsx";
import { Stand } from "./Stand.tsx";
import { useLight } from "./useLight.ts";
import { Wide } from "./Wide.tsx";
import { WallPicture } from "./WallPicture.tsx";
import { tapeText } from "./words.ts";

const NONE: Readonly<Record<string, Turned>> = {};
const DEG = 180 / Math.PI;

/** Names of lamps that are told apart: two of one label by their side. */
const nameOf = ({ lamp, mount }: WallMark, all: readonly WallMark[]): string =>
  all.filter((other) => other.lamp.label === lamp.label).length > 1
    ? `${lamp.label}, ${mount.side}`
    : lamp.label;

function Apart({ job, marks }: { job: Job; marks: readonly WallMark[] }) {
  const { units } = useMe().preferences;
  const label = (id: string): string => {
    const mark = marks.find((m) => m.mount.id === id);
    return mark ? nameOf(mark, marks) : "";
  };
  return pairsApart(job).map((pair) => (
    <p key={pair.leftMountId}>
      {label(pair.leftMountId)} stands {tapeText(Math.abs(pair.upMm) / 1000, units)}{" "}
      {pair.upMm < 0 ? "below" : "above"} {label(pair.rightMountId)} on the wall.
    </p>
  ));
}

/** Stage 7: marks on the wall, what was off and what undoes it, and the light on the road. */
export function AimPage() {
  const job = useJob();
  const edit = useEdit();
  const canEdit = useCanEdit();
  const { units } = useMe().preferences;
  const lights = useOfJob<LightOf>(useCallback((of: Job) => planner().lights(of), []));
  const [turned, setTurned] = useState(NONE);
  const held = turned !== NONE;
  const marks = wallMarks(
    held
      ? {
          ...job,
          mounts: job.mounts.map((m) => {
            const to = turned[m.id];
            return to ? { ...m, wantedTiltDeg: to.tiltDeg } : m;
          }),
          aims: job.aims.map((a) => {
            const to = turned[a.mountId];
            return to ? { ...a, toeDeg: to.toeDeg } : a;
          }),
        }
      : job,
  );
  const ids = lights?.lamps.map((lamp) => lamp.id).join(" ") ?? "";
  const request = useMemo<LightRequest>(
    () => ({ lit: ids.split(" "), turned, coarse: turned !== NONE }),
    [ids, turned],
  );
  const light = useLight(job, request);
  if (job.mounts.length === 0 || marks.length === 0) {
    return (
      <div className="p-4">
        <Empty title="No lamp has its place yet">
          Say <Link to="../fit/lamps">where the lamps sit</Link>, by tape: their marks on the wall
          follow.
        </Empty>
      </div>
    );
  }
  const move = (mark: WallMark, right: number, up: number, done: boolean): void => {
    const { distanceM } = job.aiming;
    // The mark's own nose rise stays: only what was wanted moves with the hand.
    const rise =
      mark.mount.wantedTiltDeg - Math.atan2(mark.markUpM - mark.lampUpM, distanceM) * DEG;
    const round = (deg: number): number => Math.round(20 * deg) / 20;
    const to = {
      tiltDeg: round(Math.atan2(up - mark.lampUpM, distanceM) * DEG + rise),
      toeDeg: round(Math.atan2(right - mark.lampRightM, distanceM) * DEG),
    };
    if (!done) {
      setTurned({ [mark.mount.id]: to });
      return;
    }
    setTurned(NONE);
    const mount = job.mounts.find((m) => m.id === mark.mount.id);
    if (!mount) return;
    edit([
      setIn("mount", mount.id, "wantedTiltDeg", to.tiltDeg),
      ...setAim(job, mount, { toeDeg: to.toeDeg }, mint("aim")),
    ]);
  };
  return (
    <div className="mx-auto w-full max-w-6xl p-4">
      <Section
        title="Marks on the wall"
        about="Over level ground, before a wall square to the vehicle. Rules are from memory and advisory: your inspector and local law have the last word."
        action={
          <Button look="quiet" className="no-print" onClick={() => window.print()}>
            Print
          </Button>
        }
      >
        <Stand />
        {marks.every((mark) => mark.groundM !== null) ? (
          <p>Every beam meets the ground before the wall.</p>
        ) : (
          <Wide name="The wall">
            <WallPicture
              marks={marks}
              lines={light?.wall ?? []}
              distanceM={job.aiming.distanceM}
              units={units}
              canEdit={canEdit}
              onMove={move}
            />
          </Wide>
        )}
        <ol className="mt-2">
          {marks.map((mark, i) => (
            <AimRow key={mark.mount.id} mark={mark} number={i + 1} name={nameOf(mark, marks)} />
          ))}
        </ol>
        <Apart job={job} marks={marks} />
      </Section>
      <div className="no-print">
        {lights ? (
          <LightSection {...lights} turned={turned} coarse={held} />
        ) : (
          <Loading what="the lamps' light" />
        )}
      </div>
    </div>
  );
}
