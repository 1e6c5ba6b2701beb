import { conditionText, type Feed, type Job, type LightingCircuit } from "../../../job/index.ts";
import type { Signal } from "../../../job/index.ts";
import { controlOf } from "../../pick/control.ts";
import { kitSwitchOf, type SignalWire } from "../../pick/signalWire.ts";
import { chooseTap, chooseUnfound, unfoundDetail } from "../../pick/tap.ts";
import type { CircuitNotes } from "./circuitNotes.ts";
import type { Decision } from "../decision.ts";
import { logicOf, needsLogic, type Clause } from "./logic.ts";

/** What turns a circuit on, and the wires by which it is told. */
export interface Trigger {
  /** Signals that the feed does not already follow. */
  readonly signals: readonly Signal[];
  readonly ownSwitch: boolean;
  /** Ways of turning it on where one relay and one switch do not do; null where they do. */
  readonly clauses: readonly Clause[] | null;
  /** Ways without a relay, each through a switch of the kit; null otherwise. */
  readonly direct: readonly SignalWire[] | null;
  /** The wire that carries its first signal, found or to be found; null where it needs none. */
  readonly tap: Decision<SignalWire> | null;
}

const sameFeed = (a: Feed, b: Feed): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Whether a feed is, or lies on the way to, another: through a flasher, a box. */
function leadsTo(job: Job, from: Feed, to: Feed, deep = 0): boolean {
  if (sameFeed(from, to)) return true;
  if (to.kind !== "supply" || deep > job.supplies.length) return false;
  const supply = job.supplies.find((s) => s.id === to.supplyId);
  const kind = job.parts.find((p) => p.id === supply?.partId)?.kind;
  if (!supply || kind === "converter" || kind === "battery") return false;
  return leadsTo(job, from, supply.feed, deep + 1);
}

/**
 * Whether a position of the kit's controls may carry a run's load: only where what the control
 * is fed from lies behind what the run is to be fed from. A run that is to be fed from the
 * pack, or from a flasher that the control does not hang on, would not be.
 */
export function carriesFor(job: Job, run: LightingCircuit, wire: SignalWire): boolean {
  const kitSwitch = kitSwitchOf(wire);
  return kitSwitch !== null && leadsTo(job, run.feed, kitSwitch.feed);
}

/** Ways that are each just a position of the kit's own controls, with nothing to help them. */
function directWays(
  job: Job,
  run: LightingCircuit,
  clauses: readonly Clause[] | null,
  drawA: number,
) {
  if (!clauses || run.relay === "yes") return null;
  const pins = clauses.flatMap((clause) =>
    clause.feed?.switches === "positive" &&
    clause.helpers.length === 0 &&
    !clause.ownSwitch &&
    carriesFor(job, run, clause.feed)
      ? [clause.feed]
      : [],
  );
  return pins.length === clauses.length && pins.every((pin) => drawA <= pin.mayGiveA.value)
    ? pins
    : null;
}

/**
 * How a circuit is turned on, from its condition and what its feed follows already.
 *
 * @param drawA what it draws, in A: contacts of the kit carry it where they may
 * @param switched whether a channel of a hub or board turns it on
 */
export function decideTrigger(
  job: Job,
  run: LightingCircuit,
  { drawA, switched }: { readonly drawA: number; readonly switched: boolean },
  { lacks }: CircuitNotes,
): Trigger {
  const { ownSwitch, signals } = controlOf(job, run);
  const logic = needsLogic(run) ? logicOf(job, run) : null;
  if (logic?.kind === "notBuildable") lacks("conditionNotBuildable", logic.detail);
  const clauses = logic?.kind === "built" ? logic.ways : null;
  const direct = switched ? null : directWays(job, run, clauses, drawA);
  if (clauses && !direct && run.relay === "no" && !switched) {
    lacks(
      "conditionNotBuildable",
      `“${conditionText(run.condition)}” cannot be told without a relay, and none is pinned`,
    );
  }
  const signal = signals[0] ?? null;
  const known = signal === null ? null : chooseTap(job, run, signal);
  const alone = logic === null && signal !== null && known === null ? [signal] : [];
  for (const input of logic?.kind === "built" ? logic.unfound : alone) {
    lacks("tapUnknown", unfoundDetail(input));
  }
  const tap = known ?? (signal === null ? null : chooseUnfound(job, signal));
  return { signals, ownSwitch, clauses, direct, tap };
}
