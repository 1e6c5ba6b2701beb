import { useState } from "react";
import { type ChargingFacts, type ClampReading, type Edit, type Fault } from "@dragonet/core";
import { useEdit } from "../job/store/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { Section } from "../ui/page/Section.tsx";
import { NumberInput } from "../ui/forms/number/NumberInput.tsx";
import { planner } from "../worker/port/planner.ts";

/** Three readings of a clamp meter on the battery lead make a charging curve with bounds. */
export function CurveFit({ charging, canEdit }: { charging: ChargingFacts; canEdit: boolean }) {
  const edit = useEdit();
  const [readings, setReadings] = useState<readonly ClampReading[]>(
    [charging.idleRpm.value, charging.townRpm.value, charging.cruiseRpm.value].map((rpm) => ({
      rpm,
      batteryA: 0,
      loadA: 0,
    })),
  );
  const [faults, setFaults] = useState<readonly Fault[]>([]);
  const set = (i: number, change: Partial<ClampReading>): void =>
    setReadings(readings.map((r, k) => (k === i ? { ...r, ...change } : r)));
  const fit = async (): Promise<void> => {
    const made = await planner().fitCurve(readings);
    setFaults(made.ok ? [] : made.faults);
    if (!made.ok) return;
    const old = charging.points.map((p): Edit => ({
      kind: "remove",
      entity: "chargingPoint",
      id: p.id,
    }));
    // New points go in before the old ones leave, so that the curve is never empty.
    const fresh = made.points.map((p, i): Edit => ({
      kind: "add",
      entity: "chargingPoint",
      value: { ...p, id: `${p.id}-${Date.now().toString(36)}`, outputA: p.outputA },
      at: i,
    }));
    edit([...fresh, ...old]);
  };
  return (
    <Section
      title="Measure the charging"
      about="Clamp on the battery's positive lead, engine warm, a known load on: into the battery counts up, out of it below zero."
    >
      <fieldset disabled={!canEdit}>
        <legend className="sr-only">Clamp readings</legend>
        {readings.map((r, i) => (
          <div key={i} className="flex flex-wrap items-baseline gap-2 border-b border-hair py-1">
            <NumberInput
              label={`Reading ${i + 1}: engine speed`}
              unit="rpm"
              value={r.rpm}
              max={30000}
              onCommit={(rpm) => set(i, { rpm })}
            />
            <NumberInput
              label={`Reading ${i + 1}: into the battery`}
              unit="A"
              value={r.batteryA}
              min={-500}
              max={500}
              onCommit={(batteryA) => set(i, { batteryA })}
            />
            <span className="text-small text-muted">with</span>
            <NumberInput
              label={`Reading ${i + 1}: taken by what was on`}
              unit="A on"
              value={r.loadA}
              max={500}
              onCommit={(loadA) => set(i, { loadA })}
            />
          </div>
        ))}
        <Button className="mt-2" onClick={() => void fit()}>
          Make the curve from these
        </Button>
        {faults.length > 0 && (
          <ul role="alert" className="mt-2 font-bold">
            {faults.map((f) => (
              <li key={f.path + f.message}>{f.message}</li>
            ))}
          </ul>
        )}
      </fieldset>
    </Section>
  );
}
