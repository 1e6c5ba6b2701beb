import { decimal } from "../../quantity/index.ts";
import { inputWord, type Input, type LightingCircuit } from "../../job/index.ts";
import type { RelayPart, SwitchPart } from "../../part/index.ts";
import type { Decision } from "../decide/decision.ts";

interface RelayQuestion {
  readonly run: LightingCircuit;
  readonly drawA: number;
  /** The fuse the draw asks for; null above the ladder. */
  readonly fuseA: number | null;
  readonly ownSwitch: boolean;
  readonly switchPart: SwitchPart;
  readonly relayPart: RelayPart;
  /** First signal that the feed itself does not follow. */
  readonly signal: Input | null;
  /** What the kit's own control for that signal may carry, in A; 0 for a factory wire. */
  readonly signalA: number;
  /** What a factory wire for that signal has to spare for so small a load, in A; 0 for none. */
  readonly tapA: number;
}

/** Whether a run gets a relay, by whether switch and trigger could carry the load themselves. */
export function decideRelay(q: RelayQuestion): Decision<boolean> {
  const name = q.relayPart.name;
  if (q.run.relay !== "auto") {
    const use = q.run.relay === "yes";
    return {
      value: use,
      picked: use ? name : "no relay",
      reason: use ? "Pinned: a relay carries the load." : "Pinned: no relay.",
      pinned: true,
    };
  }
  if (q.signal !== null && q.signalA > 0 && !q.ownSwitch && q.drawA <= q.signalA) {
    return {
      value: false,
      picked: "no relay",
      reason: `The kit's control for ${inputWord(q.signal)} is rated ${decimal(q.signalA)} A and the draw is ${decimal(q.drawA)} A.`,
      pinned: false,
    };
  }
  if (q.signal !== null && !q.ownSwitch && q.tapA > 0) {
    return {
      value: false,
      picked: "no relay",
      reason: `The ${inputWord(q.signal)} wire has ${decimal(q.tapA)} A to spare and this takes ${decimal(q.drawA, 2)} A: a tap with a fuse of its own, and no relay to click.`,
      pinned: false,
    };
  }
  if (q.signal !== null) {
    return {
      value: true,
      picked: name,
      reason: `The ${inputWord(q.signal)} wire only works the coil; the load of ${decimal(q.drawA)} A comes from the battery.`,
      pinned: false,
    };
  }
  const limitA = q.switchPart.contactA;
  if (q.ownSwitch && (q.fuseA === null || q.fuseA > limitA)) {
    return {
      value: true,
      picked: name,
      reason: `${decimal(q.drawA)} A wants a ${q.fuseA ?? "larger"} A fuse, above the switch's ${decimal(limitA)} A: the switch works the coil instead.`,
      pinned: false,
    };
  }
  return {
    value: false,
    picked: "no relay",
    reason: q.ownSwitch
      ? `The switch is rated ${decimal(limitA)} A and the draw is ${decimal(q.drawA)} A.`
      : "The feed itself turns the circuit on.",
    pinned: false,
  };
}
