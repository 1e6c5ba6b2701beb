import { memo } from "react";
import type { JobPlan, UnitSystem } from "@dragonet/core";
import { DataTable } from "../ui/DataTable.tsx";
import { WireCells, wireHeads } from "./WireRow.tsx";

/** Harnesses that come made up: neither cut nor counted by the metre, only laid and checked. */
export const HarnessSheet = memo(function HarnessSheet({
  plan,
  units,
}: {
  plan: JobPlan;
  units: UnitSystem;
}) {
  if (plan.harnessWires.length === 0) return null;
  return (
    <section aria-label="Ready-made harnesses" className="border-t-2 border-ink py-3">
      <h2 className="text-lead">Ready-made harnesses</h2>
      <DataTable
        label="Wires of the harnesses"
        heads={["Harness", ...wireHeads("Laid")]}
        className="text-small"
      >
        {plan.harnessWires.map((wire) => (
          <tr key={wire.elementId} className="break-inside-avoid border-t border-hair">
            <td>{wire.harness}</td>
            <WireCells wire={wire} units={units} />
          </tr>
        ))}
      </DataTable>
    </section>
  );
});
