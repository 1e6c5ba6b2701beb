import { conditionText, type Job, type LightingCircuit } from "../../../job/index.ts";
import type { BoxPart, RelayPart, SwitchPart } from "../../../part/index.ts";
import { fuseForDraw } from "../../../protection/index.ts";
import { decimal, type Interval } from "../../../quantity/index.ts";
import type { ConnectorPin } from "../../../vehicle/index.ts";
import type { SignalWire } from "../../pick/signalWire.ts";
import { decideRelay } from "../../pick/relay.ts";
import type { CircuitNotes } from "./circuitNotes.ts";
import { relayOf, switchOf } from "./circuitParts.ts";
import type { Decision } from "../decision.ts";
import type { FeedPoint } from "../feedPoint.ts";
import type { Clause } from "./logic.ts";
import { carriesFor, type Trigger } from "./decideTrigger.ts";

/** Whether a circuit has a relay, and what its coil is worked from. */
export interface Switching {
  readonly relay: Decision<boolean>;
  readonly relayPart: RelayPart;
  readonly switchPart: SwitchPart;
  /** The wire that works the coil; null without a relay, and where none can. */
  readonly coilTap: SignalWire | null;
  /** Its wire ties to ground: it works a coil and carries nothing. */
  readonly grounds: boolean;
  /** The kit's own switch closes on its signal, and may carry the load. */
  readonly byKit: boolean;
}

/** Relays that several clauses take, the circuit's own apart, in words. */
function countOf(clauses: readonly Clause[]): string {
  const helpers = clauses.reduce((n, clause) => n + clause.helpers.length, 0);
  const relays =
    helpers === 0 ? "" : ` and ${helpers} interposing relay${helpers === 1 ? "" : "s"}`;
  return `${clauses.length} wire${clauses.length === 1 ? "" : "s"} to the coil${relays}`;
}

/** Draw in A up to which a lamp may hang on a factory wire that has it to spare: common practice. */
const SMALL_A = 0.5;

/**
 * Whether a factory wire carries so small a load beside its own, with a fuse and no relay. Not the
 * ignition's, and on a bus vehicle not the lamps' own wires, which the vehicle watches.
 */
export function tapCarries(job: Job, tap: ConnectorPin, drawA: number): boolean {
  if (drawA > SMALL_A) return false;
  const watched = job.vehicle.turn?.principle === "bus" && tap.family !== "accessory";
  return tap.family !== "ignition" && !watched && tap.mayGiveA.low >= drawA;
}

/** A channel of a hub or a board is the relay of what hangs on it. */
const byChannel = (box: BoxPart, relayPart: RelayPart): Decision<boolean> => ({
  value: true,
  picked: relayPart.name,
  reason: `${box.name} turns it on and off; ${box.switches === "ground" ? "its channels switch the lamp's ground" : "its channels switch the lamp's positive"}.`,
  pinned: false,
});

const byKitContacts = (run: LightingCircuit): Decision<boolean> => ({
  value: false,
  picked: "no relay",
  reason:
    "Each of its signals closes a contact of the kit's own, with a pole to itself where it has enough.",
  pinned: run.relay === "no",
});

const byClauses = (
  run: LightingCircuit,
  relayPart: RelayPart,
  clauses: readonly Clause[],
): Decision<boolean> => ({
  value: true,
  picked: relayPart.name,
  reason: `“${conditionText(run.condition)}” takes ${countOf(clauses)}; diodes keep them apart.`,
  pinned: run.relay === "yes",
});

/** A wire that switches ground works no input that wants a positive, and no load without a relay. */
function lacksPositive(
  run: LightingCircuit,
  { words }: SignalWire,
  deafBox: BoxPart | null,
): string | null {
  if (!deafBox && run.relay !== "no") return null;
  return deafBox
    ? `${words} switches ground, and the inputs of ${deafBox.name} want a positive: take a relay or a relay board`
    : `${words} switches ground: it can work a coil, and no relay is pinned`;
}

/** Whether switch and trigger carry the load themselves, a channel does, or a relay has to. */
export function decideSwitching(
  job: Job,
  run: LightingCircuit,
  { feed, drawA, trigger }: { feed: FeedPoint; drawA: Interval; trigger: Trigger },
  { lacks }: CircuitNotes,
): Switching {
  const channel = feed.box !== null && feed.box.form !== "fuseBlock" ? feed.box : null;
  const { clauses, direct, ownSwitch } = trigger;
  const tap = trigger.tap?.value ?? null;
  const switchPart = switchOf(job, run, feed, tap);
  const relayPart = relayOf(job, run, feed.box, tap);
  const fuseA = fuseForDraw(drawA.high, job.practices.fuseSchool);
  if (fuseA === null) {
    lacks("loadAboveLadder", `${decimal(drawA.high)} A is more than one blade fuse can carry`);
  }
  const grounds = tap?.switches === "ground";
  const deafBox =
    channel && (channel.form !== "relayBoard" || channel.switches === "ground") ? channel : null;
  const why = tap && grounds ? lacksPositive(run, tap, deafBox) : null;
  if (why !== null) lacks("conditionNotBuildable", why);
  const byKit = tap !== null && !grounds && carriesFor(job, run, tap);
  const spares =
    tap !== null &&
    tap.from.kind !== "kit" &&
    !grounds &&
    feed.source.kind !== "pin" &&
    tapCarries(job, tap.from.pin, drawA.high);
  const relay = channel
    ? byChannel(channel, relayPart)
    : direct
      ? byKitContacts(run)
      : clauses && run.relay !== "no"
        ? byClauses(run, relayPart, clauses)
        : decideRelay({
            ...{ run, fuseA, ownSwitch, switchPart, relayPart },
            drawA: drawA.mid,
            signal: trigger.signals[0] ?? null,
            signalA: byKit ? tap.mayGiveA.value : 0,
            tapA: spares ? tap.mayGiveA.low : 0,
          });
  const coilTap = relay.value && !(grounds && deafBox) ? tap : null;
  return { relay, relayPart, switchPart, coilTap, grounds, byKit };
}
