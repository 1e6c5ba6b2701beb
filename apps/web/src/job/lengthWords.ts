/** Lengths of a run by what lies at their two ends. */
export const LENGTH_WORDS = {
  fuseAtM: "battery to fuse",
  feedM: "fuse to relay or switch",
  loadM: "relay or switch to splice",
  branchM: "splice to each lamp",
  controlM: "relay to switch",
  tapM: "to the trigger wire",
} as const;

export type LengthField = keyof typeof LENGTH_WORDS;
