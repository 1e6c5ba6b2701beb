import { DRILLS, DRILL_WORDS, type FaultKind, type Level, type ProbeVerdict } from "@dragonet/core";

export const LEVEL_WORDS: Readonly<Record<Level, string>> = {
  dark: "Something stays dark",
  any: "Anything that is noticed",
  weak: "Weak joints, chafes, what sticks",
};

export const VERDICT_WORDS: Readonly<Record<ProbeVerdict, string>> = {
  good: "good",
  fair: "fair",
  poor: "poor",
  wasted: "wasted",
};

const FAULT_WORDS: Readonly<Record<FaultKind, string>> = {
  open: "Broken wires and dead parts",
  chafed: "Chafed wires",
  groundLost: "Lost grounds",
  fuseBlown: "Blown fuses",
  relayDead: "Dead relays",
  relayStuck: "Relays that stick",
  switchOpen: "Dead switches",
  switchStuck: "Switches that stick",
  badJoint: "Bad joints",
  deadUnit: "Dead parts",
  shorted: "Shorts inside a part",
};

/** What a topic of the training is called. */
export function topicWords(topic: string): string {
  const drill = DRILLS.find((kind) => kind === topic);
  if (drill) return DRILL_WORDS[drill];
  const kind = topic.replace(/^fault:/, "");
  return kind in FAULT_WORDS ? FAULT_WORDS[kind as FaultKind] : topic;
}
