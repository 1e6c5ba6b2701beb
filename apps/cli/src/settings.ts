import {
  INPUTS,
  asId,
  everythingOn,
  inputWord,
  type Input,
  type Job,
  type CircuitId,
} from "@dragonet/core";
import type { Controls } from "./world.ts";

export type Settings =
  | { readonly ok: true; readonly value: Controls }
  | { readonly ok: false; readonly message: string };

const SIGNALS = INPUTS.filter((input) => input !== "switch");

/** An input by its name ("hazard"), or as screens call it ("hazards"). */
const inputCalled = (name: string): Input | undefined =>
  SIGNALS.find((input) => input === name) ?? SIGNALS.find((input) => inputWord(input) === name);

/**
 * Reads "key=on,high=on,pods=on,charge=50,speed=20": inputs by name or as they are called, own switches by the id of
 * their run or supply, how full the battery is in percent, speed in km/h.
 */
export function readSettings(job: Job, text: string): Settings {
  const inputs = new Set<Input>();
  const switches = new Set<CircuitId>();
  let phase: "on" | "off" = "on";
  let charge = 1;
  let kmh = 0;
  for (const part of text.split(",").map((t) => t.trim())) {
    if (part === "") continue;
    const [name = "", value = ""] = part.split("=");
    if (name === "phase" && (value === "on" || value === "off")) {
      phase = value;
      continue;
    }
    if (name === "charge") {
      const percent = value === "" ? NaN : Number(value);
      if (percent >= 0 && percent <= 100) {
        charge = percent / 100;
        continue;
      }
      return { ok: false, message: `invalid setting: "${part}" (percent, as charge=50)` };
    }
    if (name === "speed") {
      kmh = value === "" ? NaN : Number(value);
      if (Number.isFinite(kmh) && kmh >= 0) continue;
      return { ok: false, message: `invalid setting: "${part}" (speed in km/h, as speed=20)` };
    }
    if (value !== "on" && value !== "off") {
      return { ok: false, message: `invalid setting: "${part}" (needs NAME=on or NAME=off)` };
    }
    const input = inputCalled(name);
    const run = [...job.runs, ...job.supplies].find((r) => r.id === name);
    if (name === "all") {
      const all = everythingOn(job, { sourceV: 0, packV: 0 });
      for (const input of all.inputs) {
        if (value === "on") inputs.add(input);
        else inputs.delete(input);
      }
      for (const id of all.switches) {
        if (value === "on") switches.add(id);
        else switches.delete(id);
      }
    } else if (input) {
      if (value === "on") inputs.add(input);
      else inputs.delete(input);
    } else if (run) {
      if (value === "on") switches.add(asId<CircuitId>(run.id));
      else switches.delete(asId<CircuitId>(run.id));
    } else {
      const known = [
        ...SIGNALS,
        ...job.runs.map((r) => r.id),
        ...job.supplies.map((x) => x.id),
      ].join(", ");
      return { ok: false, message: `no control "${name}" on this job (one of all, ${known})` };
    }
  }
  return { ok: true, value: { inputs, switches, phase, charge, kmh } };
}
