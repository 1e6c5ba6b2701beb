import { standbyItems, type StandbyItem } from "../../budget/index.ts";
import type { Circuit } from "../../circuit/index.ts";
import { onceOfPair, type ElementId, type Job } from "../../job/index.ts";
import { ZERO, sum, times, type Interval } from "../../quantity/index.ts";
import { OPEN_OHM } from "../../solve/defaults.ts";
import type { FaultSuspect } from "../suspect/suspects.ts";

const itemsOf = onceOfPair((circuit: Circuit, job: Job): readonly StandbyItem[] =>
  standbyItems(job, circuit),
);

/** Whether a fault parts the way that something flows. */
const parts = ({ changes }: FaultSuspect, through: readonly ElementId[]): boolean =>
  changes.some(({ ohms }) => ohms.some(([id, ohm]) => ohm >= OPEN_OHM && through.includes(id)));

/** Minutes to wait before a meter in place of a fuse tells what stands by there: until all of it sleeps. */
export const asleepAfterMin = (job: Job, circuit: Circuit, fuse: ElementId): number =>
  Math.max(
    0,
    ...itemsOf(circuit, job)
      .filter(({ through }) => through.includes(fuse))
      .map(({ afterMin = 0 }) => afterMin),
  );

/**
 * What stands by behind a fuse with everything off, in mA: hubs and modules that nothing parts.
 * Tell-tales and what is turned on are in the network itself.
 */
export function standingMa(
  job: Job,
  circuit: Circuit,
  fuse: ElementId,
  suspect: FaultSuspect | null,
): Interval {
  const here = itemsOf(circuit, job).filter(
    ({ through }) => through.includes(fuse) && !(suspect && parts(suspect, through)),
  );
  return here.length === 0 ? ZERO : times(sum(here.map(({ currentA }) => currentA)), 1000);
}
