import { proxy } from "comlink";
import { memo, useCallback, useState } from "react";
import {
  SHIPPED_RIDES,
  decimal,
  speedsOf,
  span,
  usualRide,
  type ChargingFacts,
  type Edit,
  type Job,
  type RideLeg,
} from "@dragonet/core";
import { mint } from "../base/mint.ts";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { Choice } from "../ui/forms/Choice.tsx";
import { LazyChart } from "../ui/LazyChart.tsx";
import { Section } from "../ui/page/Section.tsx";
import { Loading } from "../ui/page/states.tsx";
import { NumberInput } from "../ui/forms/number/NumberInput.tsx";
import { RideLegs } from "./RideLegs.tsx";
import type { RideReport } from "../worker/plan.worker.ts";
import { planner } from "../worker/port/planner.ts";
import { useWorked } from "../worker/useWorked.ts";

const STATE_WORDS = { idle: "at idle", town: "in town", cruise: "at cruise" } as const;

/** Replaces the job's ride by legs, each with an id of its own. */
function rideEdits(job: Job, legs: readonly RideLeg[]): Edit[] {
  return [
    ...job.ride.map((leg): Edit => ({ kind: "remove", entity: "rideLeg", id: leg.id })),
    ...legs.map((leg, i): Edit => ({
      kind: "add",
      entity: "rideLeg",
      value: { ...leg, id: mint("leg") },
      at: i,
    })),
  ];
}

function useRide(job: Job, startSoc: number): RideReport | null {
  return useWorked(useCallback(async () => planner().ride(job, startSoc), [job, startSoc]));
}

function useRideBounds(job: Job, startSoc: number) {
  const [share, setShare] = useState(0);
  const ask = useCallback(
    async () => ({ job, startSoc, is: await planner().rideBounds(job, startSoc, proxy(setShare)) }),
    [job, startSoc],
  );
  const last = useWorked(ask);
  const done = last?.job === job && last.startSoc === startSoc;
  return { bounds: last?.is ?? null, share: done ? 1 : share };
}

const Curve = memo(function Curve({ report }: { report: RideReport }) {
  const loadAt = (rpm: number): number => {
    const list = report.loadA;
    const next = list.findIndex((l) => l.rpm >= rpm);
    return (next < 0 ? list[list.length - 1] : list[next])?.load.mid ?? 0;
  };
  return (
    <LazyChart
      label="Charging output against engine speed, with its bounds, and the load at that speed"
      x={{ key: "rpm", unit: "rpm", name: "engine speed" }}
      unit="A"
      from={0}
      rows={report.curve.map((p) => ({
        rpm: Math.round(p.rpm),
        output: p.output.mid,
        bounds: [p.output.low, p.output.high],
        load: loadAt(p.rpm),
      }))}
      bands={[{ key: "bounds", name: "output within its bounds" }]}
      lines={[
        { key: "output", name: "output" },
        { key: "load", name: "load", dash: "6 4" },
      ]}
    />
  );
});

const BreakEvens = memo(function BreakEvens({ report }: { report: RideReport }) {
  return (
    <ul className="my-2">
      {report.states.map(({ state, even, repayMinutes }) => (
        <li key={state} className="border-b border-hair py-1">
          <span className="font-bold">What is on {STATE_WORDS[state]}</span>{" "}
          {even.likelyRpm === null ? (
            "is never carried at any speed."
          ) : (
            <>
              is carried from <span className="num">{decimal(even.likelyRpm, 0)}</span> rpm
              {even.surelyRpm === null ? (
                ", perhaps never"
              ) : (
                <>
                  , surely from <span className="num">{decimal(even.surelyRpm, 0)}</span>
                </>
              )}
              .
            </>
          )}{" "}
          {repayMinutes !== null && (
            <span className="text-muted">
              A start is repaid in <span className="num">{decimal(repayMinutes, 1)}</span> min.
            </span>
          )}
        </li>
      ))}
    </ul>
  );
});

const SwitchOffList = memo(function SwitchOffList({ report }: { report: RideReport }) {
  return (
    <Section title={`What to switch off first ${STATE_WORDS[report.worst]}`}>
      <ol>
        {report.switchOff.slice(0, 6).map((item) => (
          <li key={item.what} className="flex gap-3 border-b border-hair py-1">
            <span className="flex-1">{item.what}</span>
            <span className="num">{decimal(item.currentA, 1)} A</span>
            <span className="num w-40 text-right text-muted">
              leaves {decimal(item.spareA, 1)} A to spare
            </span>
          </li>
        ))}
      </ol>
    </Section>
  );
});

/** The battery along a ride: where it ends, how low it gets, and within what bounds. */
export function RideSection({ charging, canEdit }: { charging: ChargingFacts; canEdit: boolean }) {
  const job = useJob();
  const edit = useEdit();
  const [startSoc, setStartSoc] = useState(0.9);
  const report = useRide(job, startSoc);
  const { bounds, share } = useRideBounds(job, startSoc);
  if (!report) return <Loading what="the ride" />;
  const { ride } = report;
  const usual = usualRide(job.vehicle.kind);
  const socAt = (minute: number): number => {
    const next = ride.points.findIndex((p) => p.minute >= minute);
    return (ride.points[next < 0 ? ride.points.length - 1 : next]?.soc ?? 0) * 100;
  };
  const rows = bounds
    ? bounds.band.map((b) => ({
        minute: b.minute,
        soc: socAt(b.minute),
        band: [b.low * 100, b.high * 100] as const,
      }))
    : ride.points.map((p) => ({ minute: p.minute, soc: p.soc * 100 }));
  return (
    <>
      <Section title="A ride">
        <div className="flex flex-wrap items-center gap-3 py-1">
          <Choice
            label="Ride"
            value={job.ride.length > 0 ? "own" : "usual"}
            disabled={!canEdit}
            className="w-64"
            options={[
              { value: "usual", label: `${usual.name}, as usual for its kind` },
              ...(job.ride.length > 0 ? [{ value: "own", label: "as written below" }] : []),
              ...SHIPPED_RIDES.map((r) => ({ value: r.id, label: `write down: ${r.name}` })),
            ]}
            onChange={(id) => {
              const shipped = SHIPPED_RIDES.find((r) => r.id === id);
              if (shipped) edit(rideEdits(job, shipped.legs(speedsOf(charging))));
              else if (id === "usual") edit(rideEdits(job, []));
            }}
          />
          <span className="inline-flex items-baseline gap-1">
            from a battery at
            <NumberInput
              label="Charge at the start"
              unit="%"
              value={Math.round(startSoc * 100)}
              max={100}
              className="w-14"
              onCommit={(v) => setStartSoc(v / 100)}
            />
          </span>
        </div>
        <p className="my-1">
          It ends at <span className="num text-loud">{decimal(ride.endSoc * 100, 0)}</span>
          <span className="unit">%</span>
          {bounds ? (
            <span className="text-muted">
              {" "}
              nine of ten within{" "}
              <span className="num">
                {decimal(bounds.endLow * 100, 0)}–{decimal(bounds.endHigh * 100, 0)}
              </span>{" "}
              %
            </span>
          ) : (
            <progress
              className="ml-3 w-32 accent-accent"
              aria-label="Trying the ride within its bounds"
              value={share}
              max={1}
            />
          )}
          , lowest <span className="num font-bold">{decimal(ride.lowestSoc * 100, 0)} %</span>.{" "}
          {ride.noStartMinute !== null && (
            <span className="font-bold">
              Not trusted to start from minute {decimal(ride.noStartMinute, 0)}.
            </span>
          )}
        </p>
        <LazyChart
          label="State of charge along the ride, with its bounds"
          x={{ key: "minute", unit: "min", name: "minute" }}
          unit="%"
          digits={0}
          rows={rows}
          bands={bounds ? [{ key: "band", name: "nine of ten rides" }] : []}
          lines={[{ key: "soc", name: "best estimate" }]}
        />
        <RideLegs usual={report.legs} canEdit={canEdit} />
      </Section>
      <Section title="Output against engine speed">
        <Curve report={report} />
        <BreakEvens report={report} />
        <p className="text-small text-muted">
          Load {report.loadA.map((l) => `${span(l.load)} A at ${decimal(l.rpm, 0)} rpm`).join(", ")}
          .
        </p>
      </Section>
      <SwitchOffList report={report} />
    </>
  );
}
