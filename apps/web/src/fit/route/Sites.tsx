import { setIn, type PlaceId, type LightingCircuit } from "@dragonet/core";
import { useCanEdit } from "../../base/session.ts";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { Section } from "../../ui/page/Section.tsx";
import { PlaceChoice } from "../../vehicles/PlaceChoice.tsx";

interface SiteProps {
  readonly label: string;
  readonly words: string;
  readonly at: PlaceId | "";
  readonly onChange: (at: PlaceId | "") => void;
}

function Site({ label, words, at, onChange }: SiteProps) {
  const job = useJob();
  const canEdit = useCanEdit();
  return (
    <div className="flex items-center gap-2 py-0.5">
      <span className="min-w-0 flex-1 text-muted">{words}</span>
      <PlaceChoice
        {...{ label, onChange }}
        places={job.vehicle.places}
        value={at}
        none="usual place"
        disabled={!canEdit}
      />
    </div>
  );
}

const RUN_SITES = [
  ["relayAt", "relay"],
  ["switchAt", "switch"],
  ["spliceAt", "splice, where lamps part"],
] as const;

function CircuitSites({ run }: { run: LightingCircuit }) {
  const job = useJob();
  const edit = useEdit();
  return (
    <div className="border-t border-hair py-1">
      <p className="font-bold">{run.name}</p>
      {RUN_SITES.map(([field, words]) => (
        <Site
          key={field}
          label={`${run.name}: ${words}`}
          words={words}
          at={run[field]}
          onChange={(at) => edit([setIn("run", run.id, field, at)])}
        />
      ))}
      {job.lamps
        .filter((lamp) => lamp.runId === run.id)
        .map((lamp) => (
          <Site
            key={lamp.id}
            label={`${lamp.label} sits`}
            words={lamp.label}
            at={lamp.at}
            onChange={(at) => edit([setIn("lamp", lamp.id, "at", at)])}
          />
        ))}
    </div>
  );
}

/** Where lamps, relays, switches and taps sit on the map. */
export function Sites() {
  const job = useJob();
  const edit = useEdit();
  return (
    <Section
      title="Where things sit"
      about="The usual place is the one of the map that is there for it; the splice goes where the wire is shortest."
    >
      {job.runs.map((run) => (
        <CircuitSites key={run.id} run={run} />
      ))}
      {(job.supplies.length > 0 ||
        job.controls.length > 0 ||
        job.vehicle.connectors.length > 0) && (
        <div className="border-t border-hair py-1">
          {job.supplies.map((s) => (
            <Site
              key={s.id}
              label={`${s.name} sits`}
              words={s.name}
              at={s.at}
              onChange={(at) => edit([setIn("supply", s.id, "at", at)])}
            />
          ))}
          {job.controls.map((c) => (
            <Site
              key={c.id}
              label={`${c.name} sits`}
              words={c.name}
              at={c.at}
              onChange={(at) => edit([setIn("control", c.id, "at", at)])}
            />
          ))}
          {job.vehicle.connectors.map((c) => (
            <Site
              key={c.id}
              label={`Connector ${c.name} sits`}
              words={`connector: ${c.name}`}
              at={c.at}
              onChange={(at) => edit([setIn("connector", c.id, "at", at)])}
            />
          ))}
        </div>
      )}
    </Section>
  );
}
