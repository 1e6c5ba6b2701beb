/** Every threshold of the solver, in one place. */

/** A diagonal entry is taken as pivot when it is at least this share of the column's largest. */
export const PIVOT_TOLERANCE = 1e-3;

/** A kept pivot below this share of its column is no longer trusted: factor again. */
export const UNHEALTHY_PIVOT_RATIO = 1e-8;

/**
 * Newton stops when no node would move by more than this, in V. The move is what is left of
 * the currents seen through the matrix: it means the same behind a thick wire and a leak,
 * where a bound on the currents themselves would not.
 */
export const STEP_V = 1e-9;

/**
 * Sums of currents below so many units in the last place of what meets at the node are as
 * good as zero: on a part that floats but for a leak no step gets below it.
 */
export const ROUNDING = 64 * Number.EPSILON;

/** No sum of currents is looked at more closely than this, in A. */
export const FLOOR_A = 1e-15;

/** Sums above this are no rounding, whatever meets at a node, in A. */
export const NO_ROUNDING_A = 1e-3;

/** A last move below this, in V, has left the slopes as they were but for a ten-thousandth. */
export const CHORD_V = 1e-3;

/** Newton steps before help is called; 3 to 6 do for any sound circuit. */
export const MOST_STEPS = 60;

/** Largest move of a node in one step, in V: keeps a driver from leaping over its limits. */
export const LARGEST_STEP_V = 4;

/** Steps down the co-content before the network is given up; a few dozen do for hundreds of nodes. */
export const MOST_DESCENT = 400;

/** Halvings of one step on the way down: a billionth of it is no step any more. */
export const MOST_BISECTIONS = 30;

/** How far a point is pushed off to see whether it holds, in V. */
export const NUDGE_V = 1e-3;

/** Currents that are told as a share of others count for no less than this, in A. */
export const LEAST_CURRENT_A = 1e-6;

/** Two answers are the same when no node differs by more, in V. */
export const SAME_V = 1e-4;

/** Resistance of an open switch or contact, in Ω: finite, so that what lies behind has a voltage. */
export const OPEN_OHM = 1e8;

/** What ties a floating part to the vehicle's negative, in Ω: so that it has a voltage at all. */
export const LEAK_OHM = 1e8;

/**
 * Between the negative of a battery of its own and the vehicle's, in Ω: dirt and damp on a
 * vehicle, assumed. It gives the battery a place among the voltages; what flows by it, a dozen
 * milliamps in the worst of faults, lights nothing and opens no fuse.
 */
export const BATTERY_LEAK_OHM = 1e3;

/** Least resistance of a wire that is drawn with none, in Ω. */
export const LEAST_OHM = 1e-6;

/** Part of a driver's lower limit over which it comes on; a step would have no derivative. */
export const TURN_ON_SHARE = 0.9;

/**
 * Leak of a load that is off, in S: 12 µA at 12 V. Well above what an open contact lets
 * through, so that a lamp behind one stays off instead of hanging at its limit.
 */
export const OFF_S = 1e-6;

/** Voltage in V over which a constant-current load comes on. */
export const SOFT_ON_V = 0.5;

/** Rounds in which relays may change before they are said to chatter. */
export const MOST_RELAY_ROUNDS = 12;

/** The same where converters follow their loads besides: each round is one step of theirs. */
export const MOST_CONVERTER_ROUNDS = 60;
