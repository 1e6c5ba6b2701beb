import { itemAt, itemOf } from "../present/index.ts";
import { elementOf, type Circuit, type LaidCircuit } from "../circuit/index.ts";
import type { ElementId, Input, Job, LampId, CircuitId } from "../job/index.ts";
import { NEEDS_KEY, programOf } from "../job/index.ts";
import { solveCircuit, type Position } from "../network/index.ts";
import { LIT_LEVEL, PLAIN, workLevel, type Behaviour, type LightColour } from "../part/index.ts";
import { toLampsA } from "../solve/index.ts";
import { restVolts, runningVolts } from "../source/index.ts";
import { wayLevels, type LevelStep, type WayInput } from "./channel.ts";
import { flashTiming, type FlashTiming } from "./flasher.ts";
import { SIDES, flasherOf, sideLoadA, type Side } from "./sideFlash.ts";
import type { ControlScript, ScriptEvent } from "./script.ts";

/** A change of level that nobody sees is none: volts that sag a little as another lamp lights. */
const SEEN = 0.01;

/** One lamp over time. */
export interface LampTrace {
  readonly lampId: LampId;
  readonly runId: CircuitId;
  readonly label: string;
  readonly light: LightColour;
  readonly place: Job["lamps"][number]["place"];
  readonly steps: readonly LevelStep[];
}

/** What makes a side flash, and what it saw. */
export interface SideTrace {
  readonly side: "left" | "right";
  /** Whether the engine runs where the script first asks for it: volts, and so amps, go by it. */
  readonly running: boolean;
  readonly loadA: number;
  readonly timing: FlashTiming;
}

/** All lamps over time, and what was pressed. */
export interface SignalTrace {
  readonly endS: number;
  readonly events: readonly ScriptEvent[];
  readonly lamps: readonly LampTrace[];
  readonly sides: readonly SideTrace[];
  /** Positions of the circuit that were solved: each once. */
  readonly solved: number;
}

interface Moment {
  readonly atS: number;
  readonly inputs: ReadonlySet<Input>;
  readonly switches: ReadonlySet<CircuitId>;
  readonly kmh: number;
}

/** The controls as they stand after each event. */
function momentsOf(script: ControlScript): Moment[] {
  const moments: Moment[] = [];
  let inputs = new Set<Input>();
  let switches = new Set<CircuitId>();
  let kmh = 0;
  const note = (atS: number): void => {
    const moment = { atS, inputs: new Set(inputs), switches: new Set(switches), kmh };
    const last = moments[moments.length - 1];
    if (last?.atS === atS) moments[moments.length - 1] = moment;
    else moments.push(moment);
  };
  note(0);
  for (const event of script.events) {
    if (event.kind === "speed") kmh = event.kmh;
    else if (event.kind === "input") {
      inputs = new Set(inputs);
      if (event.on) inputs.add(event.input);
      else inputs.delete(event.input);
    } else {
      switches = new Set(switches);
      if (event.on) switches.add(event.runId);
      else switches.delete(event.runId);
    }
    note(event.atS);
  }
  return moments;
}

/** How a lamp is lit from a moment on, and what its run draws then. */
interface Lit {
  readonly atS: number;
  readonly level: number;
  readonly moment: Moment;
  readonly amps: number;
}

const asked = (moment: Moment, side: Side): boolean =>
  moment.inputs.has(side) || moment.inputs.has("hazard");

/** Solves positions of the controls, each once. */
class Solver {
  private readonly known = new Map<string, ReturnType<Solver["solve"]>>();
  count = 0;

  constructor(
    private readonly job: Job,
    private readonly circuit: Circuit,
  ) {}

  at(position: Pick<Position, "inputs" | "switches">) {
    const key = `${[...position.inputs].sort().join()}|${[...position.switches].sort().join()}`;
    const kept = this.known.get(key);
    if (kept) return kept;
    const made = this.solve(position);
    this.known.set(key, made);
    return made;
  }

  private solve(position: Pick<Position, "inputs" | "switches">) {
    this.count += 1;
    const volts = position.inputs.has("engine")
      ? runningVolts(this.job.vehicle)
      : restVolts(this.job.vehicle);
    const solved = solveCircuit(
      this.circuit,
      { ...position, ...volts },
      this.job.practices.ambientC,
    );
    const levels = new Map<LampId, number>();
    const amps = new Map<ElementId, number>();
    /** What the run of each lamp draws altogether: what its way sees. */
    const runAmps = new Map<LampId, number>();
    if (solved.kind === "solved") {
      for (const run of this.circuit.runs) {
        const drawn = toLampsA(run, solved.point);
        for (const branch of run.branches) {
          runAmps.set(branch.lampId, drawn);
          const load = elementOf(this.circuit, branch.load);
          const at = itemOf(solved.point.at, branch.load);
          if (load.kind === "load") {
            const level = workLevel(load.part.load, at.fromV - at.toV, at.currentA);
            levels.set(branch.lampId, level < LIT_LEVEL ? 0 : Math.min(1, level));
          }
        }
      }
      for (const [id, at] of solved.point.at) amps.set(id, at.currentA);
    }
    return { levels, amps, runAmps };
  }
}

/** What a run's way, or the lamp itself, does with its feed over time. */
function behaviourOf(job: Job, run: LaidCircuit, lampId: LampId): Behaviour | null {
  const own = job.runs.find((r) => r.id === run.runId);
  const program = own && programOf(job, own);
  if (program) return program;
  const lamp = job.lamps.find((l) => l.id === lampId);
  const part = job.parts.find((p) => p.id === lamp?.partId);
  return part?.kind === "load" ? part.behaviour : null;
}

/** Phases of one side: spans in which its flasher's contact is closed, at exact times. */
function closedSpans(moments: readonly Moment[], side: Side, endS: number, timing: FlashTiming) {
  const spans: { fromS: number; toS: number }[] = [];
  let since: number | null = null;
  const close = (toS: number): void => {
    if (since === null) return;
    let t = since + timing.firstS;
    if (!timing.flashes) spans.push({ fromS: since, toS });
    while (timing.flashes && t < toS) {
      spans.push({ fromS: t, toS: Math.min(t + timing.onS, toS) });
      t += timing.onS + timing.offS;
    }
    since = null;
  };
  for (const moment of moments) {
    if (asked(moment, side) && since === null) since = moment.atS;
    if (!asked(moment, side)) close(moment.atS);
  }
  close(endS);
  return spans;
}

const isOn = (spans: readonly { fromS: number; toS: number }[], t: number): boolean =>
  spans.some((s) => t >= s.fromS - 1e-12 && t < s.toS - 1e-12);

/** The controls of a moment with the sides as their flasher has them. */
function withPhases(moment: Moment, lit: ReadonlyMap<Side, boolean>): Set<Input> {
  const inputs = new Set(moment.inputs);
  if (!moment.inputs.has("key")) for (const input of NEEDS_KEY) inputs.delete(input);
  const hazard = inputs.has("hazard");
  for (const side of SIDES) {
    if ((inputs.has(side) || hazard) && !lit.get(side)) inputs.delete(side);
  }
  // With hazards on both sides share a phase: off together.
  if (hazard && !lit.get("left") && !lit.get("right")) inputs.delete("hazard");
  return inputs;
}

/**
 * What every lamp does over a script of the controls: exact times of every change, each
 * distinct position solved once by the network. The flasher sees the current that the
 * solver gives it. Deterministic.
 */
export function simulateSignals(job: Job, circuit: Circuit, script: ControlScript): SignalTrace {
  const moments = momentsOf(script);
  const solver = new Solver(job, circuit);
  const flasher = flasherOf(job, circuit);
  const sides: SideTrace[] = [];
  const spans = new Map<Side, { fromS: number; toS: number }[]>();
  for (const side of SIDES) {
    const first = moments.find((m) => asked(m, side));
    if (!first) continue;
    const { amps } = solver.at({ inputs: first.inputs, switches: first.switches });
    const loadA = sideLoadA(job, circuit, side, amps);
    const timing: FlashTiming = flasher
      ? flashTiming(flasher, loadA)
      : { flashes: false, onS: Infinity, offS: 0, firstS: 0, why: "nothing makes it flash" };
    sides.push({ side, running: first.inputs.has("engine"), loadA, timing });
    spans.set(side, closedSpans(moments, side, script.endS, timing));
  }
  const marks = new Set<number>(moments.map((m) => m.atS));
  for (const list of spans.values()) {
    for (const { fromS, toS } of list) {
      marks.add(fromS);
      if (toS < script.endS) marks.add(toS);
    }
  }
  const times = [...marks].filter((t) => t < script.endS).sort((a, b) => a - b);
  const raw = new Map<LampId, Lit[]>();
  let at = 0;
  for (const t of times) {
    while (at + 1 < moments.length && itemAt(moments, at + 1).atS <= t) at += 1;
    const moment = itemAt(moments, at);
    const lit = new Map(SIDES.map((side) => [side, isOn(spans.get(side) ?? [], t)] as const));
    const { levels, runAmps } = solver.at({
      inputs: withPhases(moment, lit),
      switches: moment.switches,
    });
    for (const [lampId, level] of levels) {
      const list = raw.get(lampId) ?? [];
      list.push({ atS: t, level, moment, amps: runAmps.get(lampId) ?? 0 });
      raw.set(lampId, list);
    }
  }
  const lamps = circuit.runs.flatMap((run) =>
    run.branches.flatMap((branch): LampTrace[] => {
      const load = elementOf(circuit, branch.load);
      const lamp = job.lamps.find((l) => l.id === branch.lampId);
      if (load.kind !== "load" || !lamp) return [];
      const list = raw.get(branch.lampId) ?? [];
      const behaviour = behaviourOf(job, run, branch.lampId);
      return [
        {
          lampId: branch.lampId,
          runId: run.runId,
          label: load.label,
          light: load.part.light,
          place: lamp.place,
          steps: shape(behaviour ?? PLAIN, list, script.endS, behaviour !== null),
        },
      ];
    }),
  );
  return { endS: script.endS, events: script.events, lamps, sides, solved: solver.count };
}

/** A lamp's solved levels, shaped by what its module or its own electronics do. */
function shape(
  behaviour: Behaviour,
  list: readonly Lit[],
  endS: number,
  shaped: boolean,
): LevelStep[] {
  const merged = (steps: readonly LevelStep[]): LevelStep[] =>
    steps.reduce<LevelStep[]>((kept, step) => {
      const last = kept[kept.length - 1];
      if (!last || Math.abs(step.level - last.level) > SEEN) kept.push(step);
      return kept;
    }, []);
  if (!shaped) return merged(list.map(({ atS, level }) => ({ atS, level })));
  const told = list.map(({ atS, level, moment, amps }): WayInput => ({
    atS,
    on: level > 0,
    inputs: moment.inputs,
    kmh: moment.kmh,
    amps,
  }));
  // While a way runs on after its input, the lamp shines as it did.
  const solvedAt = (t: number): number => {
    let level = 0;
    let before = 0;
    for (const s of list) {
      if (s.atS > t + 1e-12) break;
      level = s.level;
      if (s.level > 0) before = s.level;
    }
    return level > 0 ? level : before;
  };
  return merged(
    wayLevels(behaviour, told, endS).map(({ atS, level }) => ({
      atS,
      level: level === 0 ? 0 : level * Math.max(solvedAt(atS), 0),
    })),
  );
}
