import { itemAt } from "../present/index.ts";
import { INPUTS, type Input } from "../job/index.ts";
import type { ControlScript, ScriptEvent } from "../signal/index.ts";
import type { BusFrame } from "./candump.ts";
import { decodeSignal, encodeSignal, type BusMessage, type Dbc } from "./dbc.ts";

/**
 * The bus that ships with the application: simulated, and says so. Its identifiers and
 * layout are invented; any vehicle's own DBC file takes its place.
 */
export const SIMULATED_DBC = `VERSION "simulated"

BO_ 528 SIM_BODY: 4 BODY
 SG_ Key : 0|1@1+ (1,0) [0|1] "" ACC
 SG_ Engine : 1|1@1+ (1,0) [0|1] "" ACC
 SG_ Park : 2|1@1+ (1,0) [0|1] "" ACC
 SG_ Low : 3|1@1+ (1,0) [0|1] "" ACC
 SG_ High : 4|1@1+ (1,0) [0|1] "" ACC
 SG_ Left : 5|1@1+ (1,0) [0|1] "" ACC
 SG_ Right : 6|1@1+ (1,0) [0|1] "" ACC
 SG_ Hazard : 7|1@1+ (1,0) [0|1] "" ACC
 SG_ Horn : 8|1@1+ (1,0) [0|1] "" ACC
 SG_ Reverse : 9|1@1+ (1,0) [0|1] "" ACC

BO_ 272 SIM_BRAKE: 2 BRAKE
 SG_ Brake : 7|1@0+ (1,0) [0|1] "" ACC

BO_ 416 SIM_SPEED: 3 DASH
 SG_ Speed : 7|16@0+ (0.05,0) [0|400] "km/h" ACC
`;

const nameOf = (signal: string): Input | null =>
  INPUTS.find((input) => input !== "switch" && input === signal.toLowerCase()) ?? null;

/** How often the simulated bus repeats a message that does not change, in s. */
const REPEAT_S = 0.1;

/** Frames that a script's controls would put on a bus: on each change, and ten times a second. */
export function framesOf(dbc: Dbc, script: ControlScript): BusFrame[] {
  const state = new Map<string, number>();
  const frames: BusFrame[] = [];
  const send = (atS: number, message: BusMessage): void => {
    const data = new Uint8Array(message.bytes);
    for (const signal of message.signals) {
      encodeSignal(signal, state.get(signal.name.toLowerCase()) ?? 0, data);
    }
    frames.push({ atS, id: message.id, extended: message.extended, data });
  };
  let k = 0;
  const ticks = Math.ceil(script.endS / REPEAT_S);
  for (let tick = 0; tick <= ticks; tick += 1) {
    const atS = tick * REPEAT_S;
    for (; k < script.events.length && itemAt(script.events, k).atS <= atS + 1e-9; k += 1) {
      const event = itemAt(script.events, k);
      if (event.kind === "speed") state.set("speed", event.kmh);
      else if (event.kind === "input") state.set(event.input, event.on ? 1 : 0);
      for (const message of dbc.messages) send(event.atS, message);
    }
    for (const message of dbc.messages) send(atS, message);
  }
  return frames.sort((a, b) => a.atS - b.atS);
}

/** Follows frames through a DBC: what a rider did, as events of a script. */
export class BusFollower {
  private readonly byId: ReadonlyMap<string, BusMessage>;
  private readonly last = new Map<string, number>();
  readonly events: ScriptEvent[] = [];
  /** Frames of messages that the DBC knows, and of others. */
  known = 0;
  unknown = 0;
  endS = 0;

  constructor(dbc: Dbc) {
    this.byId = new Map(dbc.messages.map((m) => [`${m.extended}${m.id}`, m]));
  }

  push(frames: readonly BusFrame[]): void {
    for (const frame of frames) {
      this.endS = Math.max(this.endS, frame.atS);
      const message = this.byId.get(`${frame.extended}${frame.id}`);
      if (!message) {
        this.unknown += 1;
        continue;
      }
      this.known += 1;
      for (const signal of message.signals)
        this.note(frame, signal.name, decodeSignal(signal, frame.data));
    }
  }

  private note(frame: BusFrame, name: string, value: number): void {
    const before = this.last.get(name);
    if (before === value) return;
    this.last.set(name, value);
    const atS = Number(frame.atS.toFixed(3));
    if (name.toLowerCase() === "speed") {
      this.events.push({ kind: "speed", atS, kmh: Number(value.toFixed(1)) });
      return;
    }
    const input = nameOf(name);
    const on = value !== 0;
    if (input && (on || before !== undefined)) this.events.push({ kind: "input", atS, input, on });
  }
}
