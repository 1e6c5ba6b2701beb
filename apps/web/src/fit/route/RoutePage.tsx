import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { toast } from "sonner";
import {
  HAZARD_WORDS,
  decimal,
  fineText,
  lengthText,
  lengthsOff,
  signEdits,
  takeLengths,
  type Job,
  type RoutePlan,
  type RoutedSegment,
  type RoutedWire,
  type SegmentId,
  itemAt,
  lastItem,
} from "@dragonet/core";
import type { KeptVehicleAnswer } from "@dragonet/contract";
import { ask } from "../../base/api.ts";
import { useCanEdit, useCurrentUser } from "../../base/session.ts";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { useOfJob } from "../../job/useOfJob.ts";
import { LENGTH_WORDS } from "../../job/lengthWords.ts";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/forms/Choice.tsx";
import { DataTable, type Head } from "../../ui/DataTable.tsx";
import { Later } from "../../ui/page/Later.tsx";
import { Section } from "../../ui/page/Section.tsx";
import { Empty, Loading } from "../../ui/page/states.tsx";
import { Tick } from "../../ui/forms/Tick.tsx";
import { RouteMap } from "../../vehicles/wiring/RouteMap.tsx";
import { planner } from "../../worker/port/planner.ts";
import { Sites } from "./Sites.tsx";
import { VehiclePlan } from "./VehiclePlan.tsx";

const routed = (job: Job): Promise<RoutePlan> => planner().route(job);

const HEADS: readonly Head[] = [
  { words: "No.", className: "pr-3" },
  "Stretch",
  { words: "Long", className: "text-right" },
  { words: "Wires", className: "pl-4" },
  { words: "Thick", className: "text-right" },
  { words: "Sleeve", className: "pl-4 text-right" },
  { words: "What it asks for", className: "pl-4" },
];

/** Protections of one stretch; signing says who has done and looked at it. */
function Protections({ segment }: { segment: RoutedSegment }) {
  const job = useJob();
  const edit = useEdit();
  const { name } = useCurrentUser();
  if (segment.protections.length === 0) {
    const isGuessed = segment.segment.lengthM.provenance === "assumed";
    return (
      <span className="text-muted">
        {isGuessed ? "nobody has looked yet" : "nothing to protect from"}
      </span>
    );
  }
  return (
    <ul>
      {segment.protections.map((p) => {
        const signed = job.checks.find((c) => c.id === p.checkId);
        return (
          <li key={p.checkId}>
            <Tick
              checked={signed !== undefined}
              onChange={(done) => edit(signEdits(job, p.checkId, name, done))}
            >
              <b>{HAZARD_WORDS[p.hazard]}</b>: {p.words}
              {signed && <span className="text-small text-muted"> · {signed.by}</span>}
            </Tick>
          </li>
        );
      })}
    </ul>
  );
}

function Stretches({
  plan,
  numbers,
}: {
  plan: RoutePlan;
  numbers: ReadonlyMap<SegmentId, number>;
}) {
  const job = useJob();
  const { units } = useCurrentUser().preferences;
  const name = (id: string): string => job.vehicle.places.find((p) => p.id === id)?.name ?? "";
  return (
    <Section
      title="Stretches with wires in them"
      about="D = 1.2 √(Σ d²) for wires laid together. What each stretch asks for is ticked by whoever did it."
    >
      <DataTable label="Stretches" heads={HEADS} className="phone-list">
        {plan.segments.map((s) => (
          <tr key={s.segment.id} className="border-t border-hair align-top">
            <td className="num py-1 pr-3 font-bold">{numbers.get(s.segment.id)}</td>
            <td className="min-w-40 py-1">
              {name(s.segment.fromId)} – {name(s.segment.toId)}
              <span className="block text-small text-muted">
                {s.segment.factory ? "along the factory loom" : "own route"}
                {s.segment.note !== "" && `; ${s.segment.note}`}
              </span>
            </td>
            <td data-head="Long" className="num py-1 text-right whitespace-nowrap">
              {lengthText(s.segment.lengthM.value, units)}
            </td>
            <td data-head="Wires" className="num min-w-32 py-1 pl-4">
              {s.labels.join(", ")}
            </td>
            <td data-head="Thick" className="num py-1 text-right whitespace-nowrap">
              {fineText(s.diameterM * 1000, units)}
            </td>
            <td data-head="Sleeve" className="num py-1 pl-4 text-right whitespace-nowrap">
              {s.sleeveMm === null ? "part it" : fineText(s.sleeveMm, units)}
            </td>
            <td data-head="Asks for" className="min-w-60 py-1 pl-4">
              <Protections segment={s} />
            </td>
          </tr>
        ))}
      </DataTable>
    </Section>
  );
}

/** Lengths that the plan has otherwise than the map. */
function Lengths({ plan }: { plan: RoutePlan }) {
  const job = useJob();
  const edit = useEdit();
  const { units } = useCurrentUser().preferences;
  const off = lengthsOff(plan);
  return (
    <Section
      title="Lengths of the plan"
      action={
        off.length > 0 && (
          <Button look="main" onClick={() => edit(takeLengths(off))}>
            Take the lengths of the map
          </Button>
        )
      }
    >
      {off.length === 0 ? (
        <p>
          The circuit is worked out with the lengths of the map, or with ones measured on the
          vehicle.
        </p>
      ) : (
        <ul>
          {off.map(({ runId, field, planned, routed }) => (
            <li key={`${runId} ${field}`} className="border-t border-hair py-1">
              {job.runs.find((r) => r.id === runId)?.name}, {LENGTH_WORDS[field]}:{" "}
              <span className="num">{lengthText(planned.value, units)}</span> {planned.provenance},
              the map gives <b className="num">{lengthText(routed.value, units)}</b>
            </li>
          ))}
        </ul>
      )}
    </Section>
  );
}

/** What the profile of the model learns from this job. */
function KeepMap() {
  const { vehicle } = useJob();
  const keep = useMutation({
    mutationFn: async () => {
      const kept = await ask<KeptVehicleAnswer>(`vehicles/${vehicle.profileId}`);
      const { size, places, segments } = vehicle;
      await ask(`vehicles/${vehicle.profileId}`, "PUT", {
        value: { ...kept.value, size, places, segments },
        revision: kept.revision,
      });
    },
    onSuccess: () => toast.success("The next job on this model starts with this map"),
    onError: (error) => toast.error(error.message),
  });
  return (
    <Button disabled={keep.isPending} onClick={() => keep.mutate()}>
      Keep this map in the model’s profile
    </Button>
  );
}

const endsOf = ({ way }: RoutedWire): string[] => [
  ...new Set([itemAt(way.places, 0), lastItem(way.places)]),
];

/** Where every wire runs, over the ways of the vehicle. */
export function RoutePage() {
  const job = useJob();
  const edit = useEdit();
  const canEdit = useCanEdit();
  const plan = useOfJob(routed);
  const [wireId, setWireId] = useState("");
  const [measuring, setMeasuring] = useState(false);
  if (!plan) return <Loading what="the routes" />;
  const numbers = new Map(plan.segments.map((s, i) => [s.segment.id, i + 1]));
  const signed = new Set(job.checks.map((c) => c.id));
  const open = new Set(
    plan.segments
      .filter((s) => s.protections.some((p) => !signed.has(p.checkId)))
      .map((s) => s.segment.id),
  );
  const wire = plan.wires.find((w) => w.elementId === wireId);
  const name = (id: string): string => job.vehicle.places.find((p) => p.id === id)?.name ?? "";
  const hasMap = job.vehicle.places.length > 0;
  return (
    <>
      {hasMap ? (
        <>
          <Section
            title="From above"
            action={
              <Choice
                label="Wire to follow"
                value={wire ? wireId : ""}
                className="no-print w-56"
                options={[
                  { value: "", label: "all wires" },
                  ...plan.wires.map((w) => ({
                    value: w.elementId,
                    label: `${w.label}: ${w.way.segments.length === 0 ? "at " : ""}${endsOf(w).map(name).join(" – ")}`,
                  })),
                ]}
                onChange={setWireId}
              />
            }
          >
            <p className="mb-1 text-small text-muted">
              Drawn through: along the factory loom. Dashed: a route of its own. A dark number:
              something is still to be protected there.
            </p>
            {wire && (
              <p role="status">
                <b className="num">{wire.label}</b>: {wire.way.segments.length === 0 && "at "}
                {wire.way.places.map(name).join(" – ")},{" "}
                <span className="num">{decimal(wire.lengthM.value, 2)} m</span> with its slack
              </p>
            )}
            <div
              className="overflow-x-auto"
              tabIndex={0}
              role="group"
              aria-label="Plan of the vehicle"
            >
              <VehiclePlan
                vehicle={job.vehicle}
                plan={plan}
                numbers={numbers}
                open={open}
                shown={new Set(wire?.way.segments.map((s) => s.id))}
              />
            </div>
          </Section>
          {plan.gaps.length > 0 && (
            <Section title="No route yet">
              <ul>
                {plan.gaps.map((gap) => (
                  <li
                    key={`${gap.ownerId} ${gap.label} ${gap.words}`}
                    className="border-t border-hair py-1"
                  >
                    <b className="num">{gap.label}</b>: {gap.words}
                  </li>
                ))}
              </ul>
            </Section>
          )}
          <Stretches plan={plan} numbers={numbers} />
          <div className="grid grid-cols-1 gap-x-10 lg:grid-cols-2">
            <Lengths plan={plan} />
            <Sites />
          </div>
        </>
      ) : (
        <Empty title="No map of this vehicle yet">
          Name the places wires go to and measure the stretches between them; lengths, bundles and
          sleeves follow.
        </Empty>
      )}
      <div className="no-print mt-2 flex flex-wrap gap-2">
        <Button aria-expanded={measuring} onPressed={() => setMeasuring(!measuring)}>
          {measuring ? "Close the map" : "Measure the map"}
        </Button>
        {hasMap && job.vehicle.profileId !== "" && canEdit && <KeepMap />}
      </div>
      {measuring && (
        <div className="no-print mt-3">
          <Later>
            <RouteMap job={job} edit={edit} canEdit={canEdit} />
          </Later>
        </div>
      )}
    </>
  );
}
