import { memo } from "react";
import {
  decimal,
  lastsFor,
  span,
  times,
  type ChargingBudget,
  type Interval,
  type JobPlan,
  type OwnBatteryBudget,
  type Verdict,
} from "@dragonet/core";
import { useJob } from "../job/store/jobStore.ts";
import { usePlan } from "../job/usePlan.ts";
import { Section } from "../ui/page/Section.tsx";
import { useCanEdit } from "../base/session.ts";
import { Loading } from "../ui/page/states.tsx";
import { CompareSection } from "./CompareSection.tsx";
import { CurveFit } from "./CurveFit.tsx";
import { ChargingSection, PackSection } from "./PackSection.tsx";
import { RideSection } from "./RideSection.tsx";
import { UseFields } from "./UseFields.tsx";
import { BalanceBar } from "./BalanceBar.tsx";
import { LoadTable } from "./LoadTable.tsx";

const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  carries: "carries it",
  uncertain: "cannot be said yet",
  short: "falls short",
  unknown: "not known",
};

const STATE_WORDS = { idle: "At idle", town: "In town", cruise: "At cruise" } as const;

function headline(running: readonly ChargingBudget[]): string {
  const worst = (v: Verdict) => running.filter((b) => b.verdict === v);
  const name = (list: readonly ChargingBudget[]) =>
    list.map((b) => STATE_WORDS[b.state].toLowerCase()).join(", ");
  if (worst("short").length > 0) return `Falls short ${name(worst("short"))}`;
  if (worst("uncertain").length > 0) return `Cannot be said yet ${name(worst("uncertain"))}`;
  if (worst("unknown").length > 0) return "Not known yet: everything is a default";
  return "The charging system carries it";
}

const RunningState = memo(function RunningState({
  budget,
  scaleA,
}: {
  budget: ChargingBudget;
  scaleA: number;
}) {
  const { spareA } = budget;
  return (
    <div className="border-b border-hair py-3">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h3 className="w-28">
          {STATE_WORDS[budget.state]}
          <span className="block text-small font-normal text-muted">
            <span className="num">{decimal(budget.rpm, 0)}</span> rpm
          </span>
        </h3>
        <p className="num text-loud">
          {span(spareA)}
          <span className="unit">A to spare</span>
        </p>
        <p className="font-bold">{VERDICT_WORDS[budget.verdict]}</p>
        <p className="ml-auto text-small text-muted">
          output <span className="num">{span(budget.outputA)}</span> A, load{" "}
          <span className="num">{span(budget.loadA)}</span> A; without these lamps{" "}
          <span className="num">{span(budget.baseSpareA)}</span> A to spare
        </p>
      </div>
      <BalanceBar budget={budget} scaleA={scaleA} />
    </div>
  );
});

const ToMeasure = memo(function ToMeasure({ running }: { running: readonly ChargingBudget[] }) {
  const uncertain = running.filter((b) => b.toMeasure.length > 0);
  if (uncertain.length === 0) return null;
  return (
    <Section title="Measure to settle it">
      {uncertain.map((b) => (
        <div key={b.state} className="mb-2">
          <h3>{STATE_WORDS[b.state]}</h3>
          <ol>
            {b.toMeasure.slice(0, 3).map((m) => (
              <li key={m.what} className="border-b border-hair py-1">
                <span className="font-bold">{m.what}</span>{" "}
                <span className="text-muted">
                  leaves <span className="num">{decimal(m.widthA)}</span> A open
                  {m.settles ? "; this alone settles it if its estimate is right" : ""}
                </span>
                <span className="block text-small">{m.how}</span>
              </li>
            ))}
          </ol>
        </div>
      ))}
    </Section>
  );
});

/** How long a battery that has grown old lasts. */
function agedText(minutes: Interval): string {
  const { value, unit } = lastsFor(times(minutes, 1 / 60));
  return `${value} ${unit}`;
}

const ownText = (hours: Interval | null): string => {
  if (!hours) return "nothing draws";
  const { value, unit } = lastsFor(hours);
  return `${value} ${unit}`;
};

/** Batteries that the job brings with it: how long each lasts, and how long it charges. */
const OwnBatteries = memo(function OwnBatteries({ own }: { own: readonly OwnBatteryBudget[] }) {
  return (
    <Section title="Batteries of its own" about="From full to a fifth left, by Peukert’s law.">
      {own.map((b) => (
        <p key={b.supplyId} className="border-b border-hair py-1">
          <span className="font-bold">{b.name}</span>:{" "}
          <span className="num">{ownText(b.usedH)}</span> as it is used,{" "}
          <span className="num">{ownText(b.allOnH)}</span> with everything on
          {b.chargeH !== null && (
            <>
              ; <span className="num">{decimal(b.chargeH)}</span> h back to full
            </>
          )}
        </p>
      ))}
    </Section>
  );
});

const Standing = memo(function Standing({ plan }: { plan: JobPlan }) {
  const { engineOff, parked } = plan.budget;
  return (
    <>
      <Section title="Engine off">
        {engineOff?.minutes ? (
          <p>
            <span className="num text-loud">
              {lastsFor(times(engineOff.minutes, 1 / 60)).value}
            </span>
            <span className="unit">
              {lastsFor(times(engineOff.minutes, 1 / 60)).unit} until it may not start
            </span>
            <span className="block text-small text-muted">
              <span className="num">{span(engineOff.currentA)}</span> A from a full battery, by
              Peukert’s law
              {engineOff.agedMinutes && (
                <>
                  ; {agedText(engineOff.agedMinutes)} with one as old as this, on the coldest
                  morning
                </>
              )}
            </span>
          </p>
        ) : (
          <p>Nothing planned burns with the engine off.</p>
        )}
      </Section>
      <Section title="Parked">
        {parked?.days ? (
          <p>
            <span className="num text-loud">{span(parked.days, parked.days.mid < 10 ? 1 : 0)}</span>
            <span className="unit">days until it may not start</span>
            {parked.agedDays && (
              <span className="block text-small text-muted">
                <span className="num">{span(parked.agedDays, 1)}</span> with a battery as old as
                this, on the coldest morning
              </span>
            )}
          </p>
        ) : (
          <p>Nothing draws; the battery only loses what it loses by itself.</p>
        )}
        {plan.budget.health && (
          <p className="mt-1 text-small">
            A low-voltage cut-out should warn at{" "}
            <span className="num font-bold">{decimal(plan.budget.health.warnV, 2)} V</span> and part
            the lamps at{" "}
            <span className="num font-bold">{decimal(plan.budget.health.cutOutV, 2)} V</span> at
            rest.
          </p>
        )}
        {parked && parked.items.length > 0 && (
          <table className="mt-1 w-full border-collapse">
            <thead>
              <tr>
                <th scope="col">Standing by</th>
                <th scope="col" className="text-right">
                  mA
                </th>
              </tr>
            </thead>
            <tbody>
              {parked.items.map((item) => (
                <tr key={item.what} className="border-t border-hair">
                  <td className="py-0.5">{item.what}</td>
                  <td className="num text-right">{decimal(item.currentA.mid * 1000, 0)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </Section>
    </>
  );
});

/** Will the charging system carry it; how long with the engine off; how long parked. */
export function BudgetPage() {
  const job = useJob();
  const plan = usePlan();
  const canEdit = useCanEdit();
  if (!plan) return <Loading what="the budget" />;
  const { running, parked, evening, charging } = plan.budget;
  const { system } = job.vehicle;
  const scaleA = Math.max(1, ...running.flatMap((b) => [b.outputA.high, b.loadA.high]));
  return (
    <div className="mx-auto grid w-full max-w-7xl grid-cols-1 gap-x-10 p-4 lg:grid-cols-[minmax(0,7fr)_minmax(0,4fr)]">
      {system.kind !== "engine" && (
        <div className="lg:col-span-2">
          <CompareSection canEdit={canEdit} />
        </div>
      )}
      <div>
        {running.length > 0 && (
          <Section title={job.runs.length === 0 ? "Before anything is added" : headline(running)}>
            {running.map((b) => (
              <RunningState key={b.state} budget={b} scaleA={scaleA} />
            ))}
          </Section>
        )}
        {running.length > 0 && <LoadTable running={running} />}
        {evening && <PackSection evening={evening} />}
        {system.kind === "engine" && <RideSection charging={system.charging} canEdit={canEdit} />}
      </div>
      <div>
        {charging && <ChargingSection charging={charging} />}
        {plan.budget.own.length > 0 && <OwnBatteries own={plan.budget.own} />}
        {parked && <Standing plan={plan} />}
        <ToMeasure running={running} />
        {system.kind === "engine" && <CurveFit charging={system.charging} canEdit={canEdit} />}
        <UseFields canEdit={canEdit} />
      </div>
    </div>
  );
}
