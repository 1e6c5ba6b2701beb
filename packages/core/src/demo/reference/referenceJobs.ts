import { asId, type CircuitId } from "../../job/index.ts";
import { engineRows } from "./engineReferences.ts";
import { ownRows } from "./ownReferences.ts";
import { packRows } from "./packReferences.ts";
import { COIL, RUN, type Reference } from "./referenceParts.ts";

/** Ordinary situations with the picks that a master would accept. Rebuilt at each call. */
export function referenceJobs(): Reference[] {
  return [...engineRows(), ...packRows(), ...ownRows()].map(
    ([situation, made, fuses, thinnest, thickest, relay, ownerId]) => ({
      ...{ situation, fuses, thinnest, thickest, relay },
      job: "job" in made ? made.job : made,
      coil: ownerId === COIL,
      ownerId: ownerId === undefined || ownerId === COIL ? RUN : asId<CircuitId>(ownerId),
    }),
  );
}
