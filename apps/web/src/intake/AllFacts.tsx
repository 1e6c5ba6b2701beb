import { useState } from "react";
import { PROVENANCES, vehicleFacts } from "@dragonet/core";
import { Later } from "../ui/page/Later.tsx";
import { PROVENANCE_WORDS } from "../ui/forms/FactRow.tsx";
import type { VehicleEditing } from "../vehicles/editing.ts";
import { VehicleFacts } from "../vehicles/VehicleFacts.tsx";

/** Everything electrical of the vehicle, folded: what a verdict hangs on stands before it. */
export function AllFacts(editing: VehicleEditing) {
  const [open, setOpen] = useState(false);
  const facts = vehicleFacts(editing.job.vehicle);
  const counts = PROVENANCES.flatMap((provenance) => {
    const count = facts.filter(({ fact }) => fact.provenance === provenance).length;
    return count === 0 ? [] : [`${count} ${PROVENANCE_WORDS[provenance]}`];
  });
  return (
    <details className="mt-5" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="touch cursor-pointer text-lead font-bold">
        All its facts
        <span className="ml-3 text-small font-normal text-muted">{counts.join(", ")}</span>
      </summary>
      {open && (
        <Later>
          <VehicleFacts {...editing} />
        </Later>
      )}
    </details>
  );
}
