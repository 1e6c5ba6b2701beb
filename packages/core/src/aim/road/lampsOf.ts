import { rightOf } from "../../fit/index.ts";
import type { Job, Mount, CircuitId } from "../../job/index.ts";
import { designPoint } from "../../network/index.ts";
import { workLevel, type LoadPart } from "../../part/index.ts";
import { runningVolts } from "../../source/index.ts";
import { synthesise } from "../../synthesis/index.ts";
import type { LampInPlace } from "./lampInPlace.ts";
import { aimOf } from "../marks.ts";

/** A lamp in place of a job, with the mount and the run it belongs to. */
export interface PlacedLamp extends LampInPlace {
  readonly mount: Mount;
  readonly runId: CircuitId;
  readonly label: string;
}

const NOTHING = { fromV: 0, toV: 0, currentA: 0 };

/** The share of its rated light that every lamp gives by its solved volts, engine running. */
function sharesOf(job: Job): ReadonlyMap<string, number> {
  const circuit = synthesise(job);
  const point = designPoint(job, circuit, runningVolts(job.vehicle));
  const shares = new Map<string, number>();
  for (const element of circuit.elements.values()) {
    if (element.kind !== "load") continue;
    const { fromV, toV, currentA } = point.at.get(element.id) ?? NOTHING;
    const share = workLevel(element.part.load, fromV - toV, currentA);
    shares.set(element.lampId, Math.max(share, shares.get(element.lampId) ?? 0));
  }
  return shares;
}

/** A part's photometry with the lamp that has it; null where nobody has measured one. */
const measured = (job: Job, partId: string): LoadPart["photometry"] => {
  const part = job.parts.find((p) => p.id === partId);
  return part?.kind === "load" ? part.photometry : undefined;
};

/** Lamps in place by what can be said of their light ahead. */
export interface LampsAhead {
  readonly lamps: readonly PlacedLamp[];
  /** Nothing is known of their beam. */
  readonly without: readonly Mount[];
  /** They shine back. */
  readonly behind: readonly Mount[];
}

/**
 * Lamps in place that have a photometry and shine ahead or aside, as they are wanted to shine,
 * each with the light that its solved volts make of it.
 */
export function lampsOf(job: Job): LampsAhead {
  const shares = sharesOf(job);
  const lamps: PlacedLamp[] = [];
  const without: Mount[] = [];
  const behind: Mount[] = [];
  for (const mount of job.mounts) {
    const lamp = job.lamps.find((l) => l.id === mount.lampId);
    if (lamp?.place === "rear") {
      behind.push(mount);
      continue;
    }
    if (lamp?.place === "inside") continue;
    const photometry = lamp && measured(job, lamp.partId);
    if (!lamp || !photometry) {
      without.push(mount);
      continue;
    }
    lamps.push({
      ...{ id: mount.id, mount, runId: lamp.runId, label: lamp.label, photometry },
      at: { ahead: -mount.backM.value, right: rightOf(mount), up: mount.heightM.value },
      tiltDeg: mount.wantedTiltDeg,
      toeDeg: aimOf(job, mount).toeDeg,
      share: shares.get(lamp.id) ?? 0,
    });
  }
  return { lamps, without, behind };
}
