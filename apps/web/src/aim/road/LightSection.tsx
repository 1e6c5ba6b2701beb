import { useMemo, useState } from "react";
import { decimal } from "@dragonet/core";
import { useJob } from "../../job/store/jobStore.ts";
import { Button } from "../../ui/Button.tsx";
import { Section } from "../../ui/page/Section.tsx";
import { Loading } from "../../ui/page/states.tsx";
import { Tick } from "../../ui/forms/Tick.tsx";
import type { LampChoice, LightOf, LightRequest, Turned } from "../../worker/light.ts";
import { BestAim } from "./BestAim.tsx";
import { Figures } from "./Figures.tsx";
import { RoadFromAbove, RoadFromSaddle } from "./RoadPictures.tsx";
import { useLight } from "./useLight.ts";
import { Wide } from "../Wide.tsx";

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
        <RoadFromAbove
          lines={light.road}
          keeps={job.aiming.keeps}
          name={name}
          vehicle={job.vehicle}
        />
        <div className="h-1" />
        <RoadFromSaddle lines={light.road} keeps={job.aiming.keeps} name={name} />
      </Wide>
      {light.figures && (
        <Figures
          figures={light.figures}
          runs={lamps
            .filter((lamp) => lit.includes(lamp.id))
            .flatMap(({ runId }) => (runId === "" ? [] : [runId]))}
        />
      )}
    </div>
  );
}

type Sets = Readonly<Record<"A" | "B" | "before", readonly string[] | null>>;

/** Plan A, plan B, and what the vehicle has by itself, side by side on one scale. */
const SETS = [
  { key: "before", name: "Before", words: "Beside it: the vehicle’s own lamps" },
  { key: "A", name: "A", words: "" },
  { key: "B", name: "B", words: "Beside it: other lamps" },
] as const;

const COLUMNS = [
  "",
  "",
  "grid grid-cols-1 gap-3 lg:grid-cols-2",
  "grid grid-cols-1 gap-3 lg:grid-cols-3",
];

/** What the pictures are made of, and what is not in them. */
function Made({ lamps, without, behind, together }: LightOf) {
  const made = lamps.filter((lamp) => lamp.source !== "file");
  return (
    <>
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
      {together.map(({ text, source }) => (
        <p key={text} className="border-l-4 border-ink pl-2">
          {text}. <span className="text-small text-muted">{source}</span>
        </p>
      ))}
    </>
  );
}

/** The light of the lamps in place on the road, and beside it that of other lamps, or of the vehicle's own. */
export function LightSection({
  turned,
  coarse,
  ...of
}: LightOf & {
  turned: Readonly<Record<string, Turned>>;
  coarse: boolean;
}) {
  const { lamps } = of;
  const job = useJob();
  const added = useMemo(() => lamps.filter((l) => l.runId !== "").map((l) => l.id), [lamps]);
  const own = useMemo(() => lamps.filter((l) => l.runId === "").map((l) => l.id), [lamps]);
  const [sets, setSets] = useState<Sets>({ A: null, B: null, before: null });
  const litOf = (key: keyof Sets): readonly string[] | null =>
    key === "A" ? (sets.A ?? added) : sets[key];
  const lit = litOf("A") ?? added;
  const request = useMemo<LightRequest>(() => ({ lit, turned, coarse: false }), [lit, turned]);
  const shown = SETS.filter(({ key }) => litOf(key) !== null);
  const many = shown.length > 1;
  const toggle = (key: "B" | "before"): void =>
    setSets({ ...sets, [key]: sets[key] === null ? (key === "B" ? added : own) : null });
  return (
    <Section
      title="Light on the road"
      about="Lux on something upright standing on the road, by the lamps' photometry and their solved volts, engine running. Circles are oncoming eyes."
      action={
        <span className="flex flex-wrap justify-end">
          {SETS.map(({ key, words }) =>
            key === "A" || (key === "before" && own.length === 0) ? null : (
              <Button
                key={key}
                look="quiet"
                aria-pressed={sets[key] !== null}
                onClick={() => toggle(key)}
              >
                {words}
              </Button>
            ),
          )}
        </span>
      }
    >
      <Made {...of} />
      {lamps.length === 0 ? (
        <p>No lamp in place has a photometry: give its part one on the shelf.</p>
      ) : (
        <>
          {shown.map(({ key, name }) => (
            <Lit
              key={key}
              name={many ? name : "Lit"}
              lamps={lamps}
              lit={litOf(key) ?? []}
              onChange={(ids) => setSets({ ...sets, [key]: ids })}
            />
          ))}
          <div className={COLUMNS[shown.length] ?? ""}>
            {shown.map(({ key, name }) => (
              <LightOfSet
                key={key}
                name={`Light ${name}`}
                {...{ lamps, lit: litOf(key) ?? [], turned, coarse }}
              />
            ))}
          </div>
          <BestAim job={job} request={request} />
        </>
      )}
    </Section>
  );
}
