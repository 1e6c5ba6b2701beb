import { elementsOf, wholePath, type Circuit } from "../circuit/index.ts";
import type { Input, Job, PinId } from "../job/index.ts";
import { solveCircuit } from "../network/index.ts";
import { runningVolts } from "../source/index.ts";
import { staysA } from "./sideFlash.ts";
import type { ConnectorPin } from "../vehicle/index.ts";

/** Below this share of what hung on a wire before, a monitor may take it for a dead bulb: assumed. */
const MISSED_SHARE = 0.5;

/** What the vehicle's own electronics see on one of its wires when its signal is on. */
export interface Seen {
  readonly pinId: PinId;
  readonly carries: string;
  /** What hung on it before the job, of what the job replaces; what hangs on it now. In A. */
  readonly wasA: number;
  readonly nowA: number;
  /** Least that its monitor or flasher wants to see, in A; 0 where nothing is known to watch. */
  readonly leastA: number;
  /** `untold` where nobody has told what hung on it before. */
  readonly verdict: "asBefore" | "less" | "missed" | "more" | "untold";
}

/** What watches a wire, in A: the flasher's least load on turn wires, half of before on a bus. */
function leastOf(job: Job, pin: ConnectorPin, wasA: number): number {
  const { turn } = job.vehicle;
  const turns = pin.liveWhen === "left" || pin.liveWhen === "right";
  if (turns && turn && turn.principle !== "indifferent") return turn.leastA;
  return turn?.principle === "bus" ? wasA * MISSED_SHARE : 0;
}

function verdictOf(wasA: number, nowA: number, leastA: number, hadSome: boolean): Seen["verdict"] {
  if (nowA < leastA) return "missed";
  if (hadSome && wasA === 0) return "untold";
  if (nowA > wasA * 1.1 + 0.02) return "more";
  return nowA < wasA * 0.9 ? "less" : "asBefore";
}

/**
 * Every factory wire that a job takes something from or replaces something on, with the
 * current before and after: what a bulb-out monitor, a flasher or a bus module makes of it.
 */
export function seenByVehicle(job: Job, circuit: Circuit): Seen[] {
  const pins = new Map<PinId, { pin: ConnectorPin; replaced: Set<string> }>();
  for (const run of circuit.runs) {
    for (const { pin } of elementsOf(circuit, wholePath(run), "tap")) {
      const entry = pins.get(pin.id) ?? { pin, replaced: new Set<string>() };
      pins.set(pin.id, entry);
      if (run.source.kind !== "pin" || run.source.pinId !== pin.id) continue;
      for (const lamp of job.lamps) {
        if (lamp.runId === run.runId && lamp.replaces !== "") entry.replaced.add(lamp.replaces);
      }
    }
  }
  return [...pins.values()].flatMap(({ pin, replaced }): Seen[] => {
    if (pin.switches === "ground") return [];
    const inputs = new Set<Input>(["key", "engine"]);
    const { liveWhen } = pin;
    if (liveWhen !== "always" && liveWhen !== "unknown" && liveWhen !== "ground") {
      inputs.add(liveWhen);
    }
    const position = { inputs, switches: new Set<never>(), ...runningVolts(job.vehicle) };
    const solved = solveCircuit(circuit, position, job.practices.ambientC);
    if (solved.kind !== "solved") return [];
    const tap = [...circuit.elements.values()].find((e) => e.kind === "tap" && e.pin.id === pin.id);
    // A flasher sees the bulbs that stay beside what the job hangs on their wire.
    const stays = liveWhen === "left" || liveWhen === "right" ? staysA(job, liveWhen) : 0;
    const nowA = tap ? Math.abs(solved.result.amps.get(tap.id) ?? 0) : 0;
    const wasA = job.vehicle.baseLoads
      .filter((load) => replaced.has(load.id))
      .reduce((sum, load) => sum + load.currentA.value, 0);
    const leastA = leastOf(job, pin, wasA);
    return [
      {
        ...{ pinId: pin.id, carries: pin.carries, wasA, nowA, leastA },
        verdict: verdictOf(wasA, nowA, Math.max(0, leastA - stays), replaced.size > 0),
      },
    ];
  });
}
