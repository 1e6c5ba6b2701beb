import type { Adjuster, BeamKind } from "../job/index.ts";

/** What people call a beam, and how a lamp is turned. */
export const BEAM_WORDS: Readonly<Record<BeamKind, string>> = {
  low: "low beam",
  driving: "driving beam",
  fog: "fog beam",
  work: "work light",
};
export const ADJUSTER_WORDS: Readonly<Record<Adjuster, string>> = {
  screw: "by screws",
  shim: "by a shim",
  pivot: "by its pivot",
};
