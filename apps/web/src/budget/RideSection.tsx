import { proxy } from "comlink";
import { Plus } from "lucide-react";
import { useEffect, useState } from "react";
import {
  SHIPPED_RIDES,
  append,
  decimal,
  speedsOf,
  span,
  usualRide,
  type ChargingFacts,
  type Edit,
  type Job,
  type RideBounds,
  type RideLeg,
} from "@dragonet/core";
import { mint } from "../app/mint.ts";
import { useEdit, useJob } from "../job/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/Choice.tsx";
import { LazyChart } from "../ui/LazyChart.tsx";
import { RemoveButton } from "../ui/RemoveButton.tsx";
import { Section } from "../ui/Section.tsx";
import { Loading } from "../ui/states.tsx";
import { NumberInput, TextInput } from "../ui/TextInput.tsx";
import type { RideReport } from "../worker/plan.worker.ts";
import { planner } from "../worker/planner.ts";

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

const NUMBERS = [
  ["minutes", "min", 1440],
  ["rpm", "rpm", 30000],
  ["brake", "", 1],
  ["turn", "", 1],
  ["starts", "", 100],
  ["extraA", "A", 1000],
] as const;

const HEADS = ["Leg", "Time", "Engine", "Brake", "Turning", "Starts", "Besides", ""];

function Legs({ legs, canEdit }: { legs: readonly RideLeg[]; canEdit: boolean }) {
  const job = useJob();
  const edit = useEdit();
  const own = job.ride.length > 0;
  const set = (leg: RideLeg, field: keyof RideLeg, value: string | number): void =>
    edit([{ kind: "set", entity: "rideLeg", id: leg.id, field, value } as unknown as Edit]);
  return (
    <fieldset disabled={!canEdit || !own} className="min-w-0">
      <legend className="sr-only">Legs of the ride</legend>
      <div className="relative overflow-x-auto">
        <table className="w-full border-collapse text-small">
          <thead>
            <tr>
              {HEADS.map((head) => (
                <th key={head} scope="col">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {legs.map((leg) => (
              <tr key={leg.id} className="border-t border-hair">
                <td className="py-0.5 pr-2">
                  {own ? (
                    <TextInput
                      label="Leg"
                      value={leg.name}
                      className="w-44"
                      maxLength={120}
                      onCommit={(v) => set(leg, "name", v)}
                    />
                  ) : (
                    leg.name
                  )}
                </td>
                {NUMBERS.map(([field, unit, max]) => (
                  <td key={field} className="num pr-2">
                    {own ? (
                      <NumberInput
                        label={`${leg.name}: ${field}`}
                        {...(unit === "" ? {} : { unit })}
                        value={leg[field]}
                        min={field === "minutes" ? 0.1 : 0}
                        max={max}
                        className="w-14"
                        onCommit={(v) => set(leg, field, field === "starts" ? Math.round(v) : v)}
                      />
                    ) : (
                      `${decimal(leg[field], 2)} ${unit}`
                    )}
                  </td>
                ))}
                <td>
                  {own && (
                    <RemoveButton
                      what={leg.name}
                      onClick={() => edit([{ kind: "remove", entity: "rideLeg", id: leg.id }])}
                    />
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {own && canEdit && (
        <Button
          look="quiet"
          onClick={() =>
            edit([
              append(job, "rideLeg", {
                id: mint("leg"),
                name: "next leg",
                minutes: 10,
                rpm: 2000,
                brake: 0,
                turn: 0,
                starts: 0,
                extraA: 0,
              }),
            ])
          }
        >
          <Plus size={15} aria-hidden /> Leg
        </Button>
      )}
    </fieldset>
  );
}

function useRide(job: Job, startSoc: number): RideReport | null {
  const [report, setReport] = useState<RideReport | null>(null);
  useEffect(() => {
    let stale = false;
    void planner()
      .ride(job, startSoc)
      .then((made) => !stale && setReport(made));
    return () => {
      stale = true;
    };
  }, [job, startSoc]);
  return report;
}

function useRideBounds(job: Job, startSoc: number) {
  const [bounds, setBounds] = useState<RideBounds | null>(null);
  const [share, setShare] = useState(0);
  useEffect(() => {
    let stale = false;
    void planner()
      .rideBounds(
        job,
        startSoc,
        proxy((done: number) => !stale && setShare(done)),
      )
      .then((made) => {
        if (stale || !made) return;
        setBounds(made);
        setShare(1);
      });
    return () => {
      stale = true;
    };
  }, [job, startSoc]);
  return { bounds, share };
}

function Curve({ report }: { report: RideReport }) {
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
}

function BreakEvens({ report }: { report: RideReport }) {
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
}

function SwitchOffList({ report }: { report: RideReport }) {
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
}

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
        <Legs legs={report.legs} canEdit={canEdit} />
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
