import { allOf, type FaultSuspect, type Probe, type Testable } from "../src/index.ts";
import { jobWith } from "./helpers.ts";

export const isFault = (suspect: { readonly kind: string }): suspect is FaultSuspect =>
  suspect.kind === "fault";

/** A pair of pods on their own switch with the key, on the quad. */
export const pods = () => jobWith("pod-18", 2, allOf("key", "switch"));

export const probesIn = ({ runs }: Testable): Probe[] => runs.flatMap(({ probes }) => [...probes]);
