import { useMemo, useState } from "react";
import { decimal } from "@dragonet/core";
import { useJob } from "../job/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { Section } from "../ui/Section.tsx";
import { Loading } from "../ui/states.tsx";
import { Tick } from "../ui/Tick.tsx";
import type { LampChoice, LightOf, LightRequest, Turned } from "../worker/light.ts";
import { BestAim } from "./BestAim.tsx";
import { Figures } from "./Figures.tsx";
import { RoadFromAbove, RoadFromSaddle } from "./RoadPictures.tsx";
import { useLight } from "./useLight.ts";
import { Wide } from "./Wide.tsx";

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

/** The light of the lamps in place on the road, and beside it that of other lamps of the job. */
export function LightSection({
  lamps,
  without,
  behind,
  turned,
  coarse,
}: LightOf & {
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
      {behind.length > 0 && (
        <p className="text-small text-muted">
          Shining back, so not on the road ahead: {behind.join(", ")}.
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
          <BestAim job={job} request={request} />
        </>
      )}
    </Section>
  );
}
