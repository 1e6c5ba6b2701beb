import { Link } from "react-router";
import {
  counted,
  machineOf,
  takeKnown,
  type Agreement,
  type Known,
  type Measurement,
} from "@dragonet/core";
import { Button } from "../../ui/Button.tsx";
import { Section } from "../../ui/page/Section.tsx";
import { Loading } from "../../ui/page/states.tsx";
import type { VehicleEditing } from "../editing.ts";
import { inShort, useKnown } from "./known.ts";

const AGREEMENT_WORDS: Readonly<Record<Agreement, string>> = {
  one: "one machine",
  agree: "agree",
  variant: "differ by variant",
  year: "differ by year",
  differ: "disagree",
};

const bounds = (value: number, low: number, high: number, unit: string): string =>
  `${inShort(value)} ${unit} (${inShort(low)} to ${inShort(high)})`;

const showing = ({ next, said }: Pick<Known, "next" | "said">, unit: string): string =>
  next ? bounds(next.value, next.low, next.high, unit) : said;

/** What a machine showed, and whose word that is. */
function Word({ one, unit }: { one: Measurement; unit: string }) {
  const { value, low, high, said, machine, variant, year, who, day, jobId, from } = one;
  const shown =
    value === null || low === null || high === null ? said : bounds(value, low, high, unit);
  const where = [machine, variant, year === 0 ? "" : String(year)].filter((t) => t !== "");
  return (
    <li className="flex flex-wrap gap-x-3 border-t border-hair py-1 text-small">
      <b className="num">{shown}</b>
      <span>{where.join(", ")}</span>
      <span className="text-muted">{[who, from, day].filter((t) => t !== "").join(", ")}</span>
      {jobId !== "" && (
        <Link className="text-accent underline" to={`/jobs/${jobId}/intake`}>
          its job
        </Link>
      )}
    </li>
  );
}

/** A fact's history: every machine that showed it, who found that, when, and on which job. */
export function Machines({ known: { words, unit, measurements } }: { known: Known }) {
  return (
    <ul aria-label={`Machines: ${words}`} className="pb-2 pl-4">
      {measurements.map((one, i) => (
        <Word key={i} one={one} unit={unit} />
      ))}
    </ul>
  );
}

function Row({ known }: { known: Known }) {
  const { words, unit, measurements, agreement, groups, next, said } = known;
  const apart = agreement === "differ" || agreement === "variant" || agreement === "year";
  return (
    <details className="border-t border-hair py-1">
      <summary className="touch flex cursor-pointer flex-wrap gap-x-3">
        <span className="w-56 max-w-full">{words}</span>
        {groups.length > 0 ? (
          groups.map((one) => (
            <span key={one.name}>
              {one.name}: <b className="num">{showing(one, unit)}</b>
            </span>
          ))
        ) : (
          <b className="num">{showing({ next, said }, unit)}</b>
        )}
        <span className={apart ? "font-bold" : "text-muted"}>
          {measurements.length > 1 && `${measurements.length} machines `}
          {AGREEMENT_WORDS[agreement]}
        </span>
      </summary>
      <Machines known={known} />
    </details>
  );
}

/** Everything that was found out about a model, thing by thing: who, when, and whether machines agree. */
export function KnownFacts({ job, edit, canEdit }: VehicleEditing) {
  const { vehicle } = job;
  const known = useKnown(vehicle);
  const machines = new Set(
    (known ?? []).flatMap(({ measurements }) => measurements.map(machineOf)),
  );
  const takes = takeKnown(vehicle, known ?? [], { measured: true });
  const apart = (known ?? []).filter(({ agreement }) => agreement === "differ").length;
  return (
    <Section
      title="Measured on machines of this model"
      about={
        machines.size === 0
          ? "Nothing yet: what is measured on a job is kept here by itself, and the next job on the model starts from it."
          : `${counted(machines.size, "machine")}${apart === 0 ? "" : `; they disagree on ${counted(apart, "thing")}`}. What the next one is expected to show, within bounds that hold for one machine.`
      }
      action={
        <span className="flex flex-wrap gap-3">
          {canEdit && takes.length > 0 && (
            <Button onClick={() => edit(takes)}>Write it into the profile</Button>
          )}
          <a
            className="touch inline-flex items-center text-accent underline"
            href={`/api/models/${vehicle.profileId}/file`}
            download
          >
            File for another shop
          </a>
        </span>
      }
    >
      {known === null ? (
        <Loading what="what is known" />
      ) : (
        known.map((k) => <Row key={k.key} known={k} />)
      )}
    </Section>
  );
}
