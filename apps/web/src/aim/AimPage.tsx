import { useCallback, useMemo, useState } from "react";
import { Link } from "react-router";
import {
  aimAt,
  applyEdits,
  pairsApart,
  tapeText,
  wallMarks,
  type Job,
  type WallMark,
} from "@dragonet/core";
import { useCanEdit, useCurrentUser } from "../base/session.ts";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { useOfJob } from "../job/useOfJob.ts";
import { PaperLinks } from "../job/papers/PaperLinks.tsx";
import { Section } from "../ui/page/Section.tsx";
import { Empty, Loading } from "../ui/page/states.tsx";
import type { Isolux, LightOf, LightRequest, Turned } from "../worker/light.ts";
import { planner } from "../worker/port/planner.ts";
import { AimRow } from "./AimRow.tsx";
import { LightSection } from "./road/LightSection.tsx";
import { Stand } from "./Stand.tsx";
import { turnAll } from "./turnAll.ts";
import { useLight } from "./road/useLight.ts";
import { Wide } from "./Wide.tsx";
import { WallPicture } from "./WallPicture.tsx";

const NO_LINES: readonly Isolux[] = [];
const NONE: Readonly<Record<string, Turned>> = {};
/** A twentieth of a degree: 7 mm at 25 ft, finer than a hand holds a mark. */
const inSteps = (deg: number): number => Math.round(20 * deg) / 20;

/** Names of lamps that are told apart: two of one label by their side. */
const nameOf = ({ lamp, mount }: WallMark, all: readonly WallMark[]): string =>
  all.filter((other) => other.lamp.label === lamp.label).length > 1
    ? `${lamp.label}, ${mount.side}`
    : lamp.label;

function Apart({ job, marks }: { job: Job; marks: readonly WallMark[] }) {
  const { units } = useCurrentUser().preferences;
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
  const { units } = useCurrentUser().preferences;
  const lights = useOfJob<LightOf>(useCallback((of: Job) => planner().lights(of), []));
  const [turned, setTurned] = useState(NONE);
  const held = turned !== NONE;
  // What is held in the hand is shown as if it were in the job.
  const shown = held ? applyEdits(job, turnAll(job, turned)) : null;
  const marks = wallMarks(shown?.ok ? shown.job : job);
  const ids = lights?.lamps.map((lamp) => lamp.id).join(" ") ?? "";
  const request = useMemo<LightRequest>(
    () => ({ lit: ids.split(" "), turned, coarse: turned !== NONE }),
    [ids, turned],
  );
  const light = useLight(job, request);
  if (marks.length === 0) {
    return (
      <div className="p-4">
        <Empty title={job.mounts.length === 0 ? "No lamp has its place yet" : "Nothing to aim"}>
          {job.mounts.length > 0 && "None of the lamps in place throws light. "}
          Say <Link to="../fit/lamps">where the lamps sit</Link>, by tape: their marks on the wall
          follow.
        </Empty>
      </div>
    );
  }
  const move = (mark: WallMark, right: number, up: number, done: boolean): void => {
    const { tiltDeg, toeDeg } = aimAt(job, mark, right, up);
    const to = { [mark.mount.id]: { tiltDeg: inSteps(tiltDeg), toeDeg: inSteps(toeDeg) } };
    setTurned(done ? NONE : to);
    if (done) edit(turnAll(job, to));
  };
  return (
    <div className="mx-auto w-full max-w-6xl p-4">
      <Section
        title="Marks on the wall"
        about="Over level ground, before a wall square to the vehicle. Rules are from memory and advisory: your inspector and local law have the last word."
        action={<PaperLinks pdf="wall-sheet.pdf" />}
      >
        <Stand />
        {marks.every((mark) => mark.groundM !== null || mark.behind) ? (
          <p>No beam gets to a wall ahead.</p>
        ) : (
          <Wide name="The wall">
            <WallPicture
              marks={marks}
              lines={light?.wall ?? NO_LINES}
              distanceM={job.aiming.distanceM}
              vehicle={job.vehicle}
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
