/**
 * What every sheet says: where the work can hurt someone, and who has the last word.
 * Common practice.
 */
export const CAUTIONS: readonly string[] = [
  "Battery negative off first and on last; no rings, no spanner across the posts.",
  "Fuse out while wiring. Nothing bare beside anything live. An unfused or over-fused wire is a fire.",
  "Hold a raised vehicle on stands before anyone reaches under it.",
  "Keep new loads off the ignition fuse: when it opens, the machine is dead far from help.",
  "Prove every lamp, tail and brake first, before one panel goes back.",
  "Strong lamps blind: aim at or below lamp height, and keep auxiliary lamps off in traffic.",
];

/** Who has the last word, as it stands on every sheet. */
export const LAST_WORD =
  "Planned from the facts listed here; those marked assumed were not checked. Local law, the vehicle's maker and a qualified person have the last word.";
