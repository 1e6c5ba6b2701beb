import { allOf, type Condition, type Job, type Practices } from "../job/index.ts";
import type { LoadPart, Part } from "../part/index.ts";
import { planSentence, type SaidCircuit } from "../sentence/index.ts";
import { checkedCircuit } from "../plan/index.ts";
import type { Vehicle } from "../vehicle/index.ts";
import { pickOf, type Chance } from "./chance.ts";

/** What a job can be made of: the shop's own vehicles and shelf. */
export interface MadeFrom {
  readonly vehicles: readonly Vehicle[];
  readonly shelf: readonly Part[];
  readonly practices: Practices;
}

/** Ordinary ways to turn a lamp on, and where lamps that are on so sit. */
const USUAL: readonly { readonly on: Condition; readonly place: SaidCircuit["place"] }[] = [
  { on: allOf("key", "switch"), place: "front" },
  { on: allOf("high", "switch"), place: "front" },
  { on: allOf("key"), place: "front" },
  { on: allOf("brake"), place: "rear" },
  { on: allOf("key", "switch"), place: "rear" },
];

const TRIES = 40;

function circuitOf(from: MadeFrom, vehicle: Vehicle, chance: Chance): SaidCircuit | null {
  const lamps = from.shelf.filter(
    (part): part is LoadPart => part.kind === "load" && part.family === "lamp",
  );
  const part = pickOf(lamps, chance);
  const usual = pickOf(USUAL, chance);
  if (!part || !usual) return null;
  const feed = vehicle.system.kind === "pack" ? "converter" : "usual";
  return {
    ...{ name: part.name, part, count: 1 + Math.floor(chance() * 2), place: usual.place },
    ...{
      condition: usual.on,
      feed: { kind: feed },
      relay: "auto",
      series: false,
      replaces: null,
      second: null,
      lengthM: 0,
      dim: false,
    },
  };
}

/**
 * A job of one circuit or two, made by chance from what the shop has, that the check says nothing
 * against; null where none was found.
 */
export function madeJob(from: MadeFrom, chance: Chance): Job | null {
  for (let i = 0; i < TRIES; i += 1) {
    const vehicle = pickOf(from.vehicles, chance);
    if (!vehicle) return null;
    const count = 1 + Math.floor(chance() * 2);
    const circuits = Array.from({ length: count }, () => circuitOf(from, vehicle, chance)).filter(
      (circuit) => circuit !== null,
    );
    const said = {
      ...{ vehicle, words: "", kits: [], machine: "", customer: "", promised: "", circuits },
      ...{ notUnderstood: [], assumed: [] },
    };
    const job = planSentence(said, vehicle, from.practices, from.shelf);
    const { findings } = checkedCircuit(job);
    if (circuits.length > 0 && findings.every((f) => f.severity !== "stop")) return job;
  }
  return null;
}
