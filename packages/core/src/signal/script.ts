import type { Fault, Input, Job, CircuitId } from "../job/index.ts";
import { INPUTS, asId } from "../job/index.ts";

/** What a rider does, or the vehicle, at one moment. */
export type ScriptEvent =
  | { readonly kind: "input"; readonly atS: number; readonly input: Input; readonly on: boolean }
  | {
      readonly kind: "switch";
      readonly atS: number;
      readonly runId: CircuitId;
      readonly on: boolean;
    }
  | { readonly kind: "speed"; readonly atS: number; readonly kmh: number };

/** What is pressed when, for signals over time. */
export interface ControlScript {
  readonly events: readonly ScriptEvent[];
  readonly endS: number;
}

/** A script as it was read, or every line that is none. */
export type ScriptResult =
  | { readonly ok: true; readonly value: ControlScript }
  | { readonly ok: false; readonly faults: readonly Fault[] };

/** Longest ride that is played, in s: an hour. */
const LONGEST_S = 3600;
/** Silence after the last event, so that what runs on can end. */
const TAIL_S = 5;

const isInput = (name: string): name is Input =>
  name !== "switch" && INPUTS.some((input) => input === name);

/**
 * Reads a script of lines such as `2.5 left on`, `8 left off`, `10 speed 45`, `12 pods on`
 * (a run's own switch by its id), `20 end`. Times in s, in order; a control that is pressed
 * twice is told, not guessed. `#` begins a remark.
 */
export function readScript(job: Job, text: string): ScriptResult {
  const faults: Fault[] = [];
  const events: ScriptEvent[] = [];
  const pressed = new Map<string, { readonly on: boolean; readonly line: number }>();
  let [lastS, endS] = [0, 0];
  const owners = [...job.runs, ...job.supplies].map((x) => x.id as string);
  text.split(/\r?\n/).forEach((raw, i) => {
    const line = raw.replace(/#.*/, "").trim();
    if (line === "") return;
    const wrong = (message: string): void => void faults.push({ path: `line ${i + 1}`, message });
    const [time = "", name = "", value = "", ...more] = line.split(/\s+/);
    const atS = Number(time);
    if (!/^\d+(\.\d+)?$/.test(time) || atS > LONGEST_S) {
      wrong(`invalid time: "${time}" (seconds from 0 to ${LONGEST_S})`);
      return;
    }
    if (atS < lastS) {
      wrong(`${time} s comes after ${lastS} s (events in order of time)`);
      return;
    }
    lastS = atS;
    endS = Math.max(endS, atS);
    if (name === "end") return;
    if (more.length > 0) {
      wrong(`too much on the line: "${more.join(" ")}" (time, control, on or off)`);
      return;
    }
    if (name === "speed") {
      const kmh = Number(value);
      if (!/^\d+(\.\d+)?$/.test(value) || kmh > 400) {
        wrong(`invalid speed: "${value}" (km/h from 0 to 400)`);
        return;
      }
      events.push({ kind: "speed", atS, kmh });
      return;
    }
    if (value !== "on" && value !== "off") {
      wrong(`invalid: "${line}" (needs on or off)`);
      return;
    }
    const on = value === "on";
    const before = pressed.get(name);
    if (before ? before.on === on : !on) {
      wrong(
        before
          ? `${name} is ${value} already, since line ${before.line}`
          : `${name} goes off and was never on`,
      );
      return;
    }
    pressed.set(name, { on, line: i + 1 });
    if (isInput(name)) events.push({ kind: "input", atS, input: name, on });
    else if (owners.includes(name)) {
      events.push({ kind: "switch", atS, runId: asId<CircuitId>(name), on });
    } else {
      wrong(
        `no control "${name}" on this job (one of ${[...INPUTS.filter(isInput), ...owners].join(", ")}, speed, end)`,
      );
    }
  });
  if (faults.length > 0) return { ok: false, faults };
  return { ok: true, value: { events, endS: endS + TAIL_S } };
}

const eventText = (event: ScriptEvent): string => {
  switch (event.kind) {
    case "input":
      return `${event.atS} ${event.input} ${event.on ? "on" : "off"}`;
    case "switch":
      return `${event.atS} ${event.runId} ${event.on ? "on" : "off"}`;
    case "speed":
      return `${event.atS} speed ${event.kmh}`;
  }
};

/** A script as its lines; reading them gives it again. */
export const printScript = (script: ControlScript): string =>
  [...script.events.map(eventText), `${Math.max(0, script.endS - TAIL_S)} end`, ""].join("\n");

/** What a signals sheet is tried on until somebody writes another: turn, brake, hazards. */
export const USUAL_SCRIPT = [
  "0 key on",
  "0 park on",
  "0 speed 30",
  "1 left on",
  "9 left off",
  "11 brake on",
  "15 brake off",
  "17 right on",
  "25 right off",
  "26 end",
  "",
].join("\n");
