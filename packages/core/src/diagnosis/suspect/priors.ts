import type { FaultKind } from "../../unit/index.ts";

/**
 * How often a fault is the cause, against a broken wire somewhere along its way at 1: joints
 * and grounds before wires, wires before parts. Common practice; no published count covers
 * small vehicles' own-made looms.
 */
export const FAULT_WEIGHT: Readonly<Record<FaultKind, number>> = {
  badJoint: 3,
  groundLost: 4,
  fuseBlown: 2,
  open: 1.5,
  chafed: 1,
  switchOpen: 0.7,
  relayDead: 0.6,
  deadUnit: 0.8,
  switchStuck: 0.3,
  relayStuck: 0.3,
  shorted: 0.4,
};

/** A wire that lies where it may chafe, unprotected: so much likelier to be hurt. */
export const CHAFE_PLACE_FACTOR = 3;
/** That nothing is wrong, against all faults together, before anything was looked at. */
export const SOUND_SHARE = 0.5;
/** That the vehicle is not as its facts say, and that it is something that nobody thinks of. */
export const FACTS_SHARE = 0.03;
export const OTHER_SHARE = 0.01;
/** Two things at once, against each by itself. */
export const PAIR_FACTOR = 0.05;
