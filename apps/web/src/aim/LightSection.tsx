import { useMemo, useState } from "react";
import {
  andHigh,
  decimal,
  lengthText,
  setAim,
  setIn,
  withHighOnly,
  type Job,
  type RunId,
} from "@dragonet/core";
import { mint } from "../app/mint.ts";
import { useCanEdit, useMe } from "../app/session.ts";
import { useEdit, useJob } from "../job/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { Section } from "../ui/Section.tsx";
import { Loading } from "../ui/states.tsx";
import { NumberInput } from "../ui/TextInput.tsx";
import { Tick } from "../ui/Tick.tsx";
import type {
  LampChoice,
  LightFigures,
  LightRequest,
  ProposedAim,
  Turned,
} from "../worker/light.ts";
import { planner } from "../worker/planner.ts";
import { RoadFromAbove, RoadFromSaddle } from "./RoadPictures.tsx";
import { useLight } from "./useLight.ts";
import { Wide } from "./Wide.tsx";

/** Circuits that blind while they stay lit: they may go out with the high beam. */
function DipWithHigh({ runs }: { runs: readonly RunId[] }) {
  const job = useJob();
  const edit = useEdit();
  const canEdit = useCanEdit();
  // Without a wire that is live with the high beam nobody can build it.
  const wired = job.vehicle.pins.some((pin) => pin.liveWhen === "high");
  const asked = job.runs.filter((run) => runs.includes(run.id) && !withHighOnly(run.condition));
  if (!wired || !canEdit || asked.length === 0) return null;
  return (
    <li className="flex flex-wrap items-baseline gap-x-3">
      Where they go out with the high beam, nobody oncoming has to bear them:
      {asked.map((run) => (
        <Button
          key={run.id}
          look="quiet"
          onClick={() => edit([setIn("run", run.id, "condition", andHigh(run.condition))])}
        >
          {run.name} with the high beam only
        </Button>
      ))}
    </li>
  );
}

/** What the light comes to, in a line each. */
function Figures({ figures, runs }: { figures: LightFigures; runs: readonly RunId[] }) {
  const job = useJob();
  const { units } = useMe().preferences;
  const { glareCd, darkPlace } = job.aiming;
  const m = (metres: number): string => lengthText(Math.round(metres), units);
  const worst = Math.max(0, ...figures.glare.map(({ cd }) => cd));
  return (
    <ul className="py-1">
      <li>
        Somebody in grey gets {figures.seenLux} lx{" "}
        {figures.seeingM > 0 ? (
          <>
            as far as <b>{m(figures.seeingM)}</b>
          </>
        ) : (
          "nowhere ahead"
        )}
      </li>
      <li>
        At {m(10)} the ground is lit{" "}
        {figures.spread ? <b>{m(figures.spread[1] - figures.spread[0])} wide</b> : "nowhere"};{" "}
        {decimal(100 * figures.spillShare, 0)} % of the light goes above level
      </li>
      <li>
        {figures.dipped === 0 ? (
          "All of it goes out with the high beam: nobody oncoming is asked to bear it"
        ) : (
          <>
            Oncoming eyes get{" "}
            {figures.glare.map(({ eye, lux, cd }, i) => (
              <span key={eye.ahead}>
                {i > 0 && ", "}
                <b>{decimal(lux, lux < 0.1 ? 3 : lux < 1 ? 2 : 1)} lx</b> at {m(eye.ahead)} (
                {decimal(cd, 0)} cd)
              </span>
            ))}
            :{" "}
            {worst > glareCd ? (
              <b>above the {decimal(glareCd, 0)} cd they may</b>
            ) : (
              "within the limit"
            )}
          </>
        )}
      </li>
      {worst > glareCd && <DipWithHigh runs={runs} />}
      {darkPlace && figures.darkLux !== null && (
        <li>
          {darkPlace.name} gets <b>{decimal(figures.darkLux, 4)} lx</b>,{" "}
          {figures.darkLux > darkPlace.mostLux ? "above" : "within"} its {darkPlace.mostLux} lx
        </li>
      )}
    </ul>
  );
}

function Lit({
  name,
  lamps,
  lit,
  onChange,
}: {
  name: string;
  lamps: readonly LampChoice[];
  lit: readonly string[];
  onChange: (lit: readonly string[]) => void;
}) {
  return (
    <div role="group" aria-label={name} className="flex flex-wrap items-center gap-x-4">
      <b>{name}</b>
      {lamps.map((lamp) => (
        <Tick
          key={lamp.id}
          checked={lit.includes(lamp.id)}
          onChange={(on) => onChange(on ? [...lit, lamp.id] : lit.filter((id) => id !== lamp.id))}
        >
          {lamp.label}
          {lamp.share < 0.95 && (
            <span className="text-small text-muted"> at {decimal(100 * lamp.share, 0)} %</span>
          )}
        </Tick>
      ))}
    </div>
  );
}

/** One set of lamps: its road from above and from the saddle, and its figures. */
function LightOfSet({
  name,
  lamps,
  lit,
  turned,
  coarse,
}: {
  name: string;
  lamps: readonly LampChoice[];
  lit: readonly string[];
  turned: Readonly<Record<string, Turned>>;
  coarse: boolean;
}) {
  const job = useJob();
  const request = useMemo<LightRequest>(() => ({ lit, turned, coarse }), [lit, turned, coarse]);
  const light = useLight(job, request);
  if (lamps.length === 0) return null;
  if (!light) return <Loading what="the light" />;
  return (
    <div className="min-w-0">
      <Wide name={`${name}: road`}>
        <RoadFromAbove lines={light.road} keeps={job.aiming.keeps} name={name} />
        <div className="h-1" />
        <RoadFromSaddle lines={light.road} keeps={job.aiming.keeps} name={name} />
      </Wide>
      {light.figures && (
        <Figures
          figures={light.figures}
          runs={lamps.filter((lamp) => lit.includes(lamp.id)).map((lamp) => lamp.runId)}
        />
      )}
    </div>
  );
}

function Best({ job, request }: { job: Job; request: LightRequest }) {
  const edit = useEdit();
  const canEdit = useCanEdit();
  const { units } = useMe().preferences;
  const [found, setFound] = useState<ProposedAim | "none" | "busy" | null>(null);
  const set = (glareCd: number): void =>
    edit([{ kind: "setOnce", entity: "aiming", field: "glareCd", value: glareCd }]);
  const take = (turned: ProposedAim["turned"]): void => {
    const edits = Object.entries(turned).flatMap(([id, to]) => {
      const mount = job.mounts.find((m) => m.id === id);
      if (!mount) return [];
      return [
        setIn("mount", id, "wantedTiltDeg", to.tiltDeg),
        ...setAim(job, mount, { toeDeg: to.toeDeg }, mint("aim")),
      ];
    });
    edit(edits);
    setFound(null);
  };
  return (
    <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 py-1">
      <NumberInput
        label="Most that an oncoming eye may get"
        unit="cd to an oncoming eye at most"
        value={job.aiming.glareCd}
        min={1}
        max={1e6}
        className="w-20"
        onCommit={set}
      />
      <Button
        disabled={found === "busy"}
        onClick={() => {
          setFound("busy");
          void planner()
            .proposeAim(job, request)
            .then((aim) => setFound(aim ?? "none"));
        }}
      >
        Find the best aim
      </Button>
      <span role="status">
        {found === "none" &&
          "None: what stays lit when dipped blinds even turned far down. Let it go out with the high beam, or take lamps with a cut-off."}
        {found !== null && typeof found === "object" && (
          <>
            {Object.values(found.turned)
              .map((t) => `${decimal(t.tiltDeg, 2)}° up, ${decimal(t.toeDeg, 1)}° right`)
              .filter((words, i, all) => all.indexOf(words) === i)
              .join("; ")}
            : seen to {lengthText(Math.round(found.seeingM), units)}, {decimal(found.glareCd, 0)} cd
            to an eye
            {found.heldAtM !== null &&
              `; half a degree higher blinds at ${lengthText(found.heldAtM, units)}`}{" "}
            {canEdit && (
              <Button look="quiet" onClick={() => take(found.turned)}>
                Take it
              </Button>
            )}
          </>
        )}
      </span>
    </div>
  );
}

/** The light of the lamps in place on the road, and beside it that of other lamps of the job. */
export function LightSection({
  lamps,
  without,
  turned,
  coarse,
}: {
  lamps: readonly LampChoice[];
  without: readonly string[];
  turned: Readonly<Record<string, Turned>>;
  coarse: boolean;
}) {
  const job = useJob();
  const all = useMemo(() => lamps.map((lamp) => lamp.id), [lamps]);
  const [first, setFirst] = useState<readonly string[] | null>(null);
  const [second, setSecond] = useState<readonly string[] | null>(null);
  const lit = first ?? all;
  const request = useMemo<LightRequest>(() => ({ lit, turned, coarse: false }), [lit, turned]);
  const made = lamps.filter((lamp) => lamp.source !== "file");
  return (
    <Section
      title="Light on the road"
      about="Lux on something upright standing on the road, by the lamps' photometry and their solved volts, engine running. Circles are oncoming eyes."
      action={
        <Button look="quiet" onClick={() => setSecond(second === null ? all : null)}>
          {second === null ? "Beside it: other lamps" : "One picture"}
        </Button>
      }
    >
      {without.length > 0 && (
        <p className="text-small text-muted">
          Without photometry, so not in the picture: {without.join(", ")}.
        </p>
      )}
      {made.length > 0 && (
        <p className="text-small text-muted">
          {made.every((lamp) => lamp.source === "invented")
            ? "The demo's photometry is invented."
            : "Some of it is an estimate from five readings, or invented."}
        </p>
      )}
      {lamps.length === 0 ? (
        <p>No lamp in place has a photometry: give its part one on the shelf.</p>
      ) : (
        <>
          <Lit name={second ? "A" : "Lit"} lamps={lamps} lit={lit} onChange={setFirst} />
          {second && <Lit name="B" lamps={lamps} lit={second} onChange={setSecond} />}
          <div className={second ? "grid grid-cols-1 gap-3 lg:grid-cols-2" : ""}>
            <LightOfSet name="Light A" {...{ lamps, lit, turned, coarse }} />
            {second && <LightOfSet name="Light B" {...{ lamps, lit: second, turned, coarse }} />}
          </div>
          <Best job={job} request={request} />
        </>
      )}
    </Section>
  );
}
