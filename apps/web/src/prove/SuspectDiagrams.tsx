import { useCallback } from "react";
import type { LineDiagram, DiagramPart, FeederDiagram } from "@dragonet/core";
import { useCurrentUser } from "../base/session.ts";
import { CircuitRow } from "../bench/diagrams/CircuitRow.tsx";
import { Suspects } from "../bench/diagrams/suspects.ts";
import { FeederRow } from "../bench/diagrams/FeederRow.tsx";
import { useJob } from "../job/store/jobStore.ts";
import { planner } from "../worker/port/planner.ts";
import { useWorked } from "../worker/useWorked.ts";
import type { ShownSuspect } from "../worker/proving.ts";

interface Strips {
  readonly strips: readonly LineDiagram[];
  readonly feeders: readonly FeederDiagram[];
}

/** Shares by element, and what is not drawn by itself at what stands for it. */
function sharesOf(suspects: readonly ShownSuspect[], { strips, feeders }: Strips) {
  const shares = new Map<string, number>();
  const add = (id: string, share: number): void => {
    shares.set(id, (shares.get(id) ?? 0) + share);
  };
  for (const { elementIds, share } of suspects) for (const id of elementIds) add(id, share);
  const stubToFuse = (parts: readonly DiagramPart[]): void => {
    const fuse = parts.find((part) => part.kind === "fuse");
    for (const part of parts) {
      const share = shares.get(part.elementId);
      if (part.beforeFuse && fuse && share !== undefined) add(fuse.elementId, share);
    }
  };
  for (const feeder of feeders) stubToFuse(feeder.parts);
  for (const strip of strips) {
    stubToFuse(strip.out);
    for (const lamp of strip.lamps) {
      for (const lead of lamp.leads) {
        const share = shares.get(lead.elementId);
        if (share !== undefined) add(lamp.elementId, share);
      }
    }
  }
  return shares;
}

const OWNERS = 3;

/** Line diagrams of the circuits that suspects sit in, each marked where it sits. */
export function SuspectDiagrams({ suspects }: { suspects: readonly ShownSuspect[] }) {
  const job = useJob();
  const { units } = useCurrentUser().preferences;
  const owners = [...new Set(suspects.map((s) => s.runId).filter((id) => id !== ""))]
    .slice(0, OWNERS)
    .join(" ");
  const ask = useCallback(
    async (): Promise<Strips> => planner().suspectDiagrams(job, owners.split(" "), units),
    [job, owners, units],
  );
  const shown = useWorked(owners === "" ? null : ask);
  if (!shown || owners === "") return null;
  const none = () => undefined;
  return (
    <Suspects value={sharesOf(suspects, shown)}>
      <div className="mt-2 border-t border-ink pt-1">
        {shown.feeders.map((feeder) => (
          <FeederRow
            key={feeder.ownerId}
            feeder={feeder}
            findings={[]}
            selection={{ kind: "run", runId: feeder.ownerId }}
            select={none}
          />
        ))}
        {shown.strips.map((strip) => (
          <CircuitRow
            key={strip.runId}
            strip={strip}
            findings={[]}
            dropTarget={job.practices.dropTarget}
            selection={{ kind: "findings" }}
            select={none}
          />
        ))}
      </div>
    </Suspects>
  );
}
