import type { Circuit } from "../../circuit/index.ts";
import { synthesise } from "../../synthesis/index.ts";
import {
  ownerName,
  standingReadings,
  type ElementId,
  type Job,
  type NodeId,
  type CircuitId,
} from "../../job/index.ts";
import type { SolvedNetwork } from "../../network/index.ts";
import { partOf } from "../../proof/index.ts";
import { restVolts, type SourceVolts } from "../../source/index.ts";
import { measuredVolts, restProbes, restRange } from "../expect/atRest.ts";
import { diagnose, type Diagnosis, type Evidence } from "../suspect/diagnose.ts";
import { Bench } from "../expect/predict.ts";
import { ohmProbesOf, probesOf, type Probe } from "../expect/probe.ts";
import { insideOf } from "../../unit/index.ts";
import type { ScriptStep } from "../script/script.ts";
import { soundRange } from "../expect/soundRange.ts";
import { deadState, partedState, statesOf, type TestState } from "../expect/states.ts";
import { testGroups } from "../suspect/suspects.ts";
import type { TakenReading } from "./taken.ts";
import type { CircuitTest, Testable } from "../script/testable.ts";

/**
 * A job's test with its battery and pack as they were measured first, by the readings that stand
 * or by others that were taken.
 */
export function testBenchOf(job: Job, others: readonly TakenReading[] = []): TestBench {
  const bench = new TestBench(job);
  const kept = [...standingReadings(job)].flatMap(([step, { value }]) =>
    value === null ? [] : [{ step, value }],
  );
  const taken = [...kept, ...others].filter((reading) => bench.impossible(reading) === null);
  const probes = bench.first.map(({ probe }) => probe);
  const volts = measuredVolts(job.vehicle, probes, taken);
  const rest = restVolts(job.vehicle);
  const same = volts.sourceV === rest.sourceV && volts.packV === rest.packV;
  return same ? bench : new TestBench(job, volts);
}

/** What a hand clamp may show around a wire without current, and the most it can show, in A: common practice. */
const CLAMP_ZERO_A = 0.5;
const MOST_A = 300;
/** The most that a hand meter takes through itself, in mA: common practice. */
const MOST_SERIES_MA = 20_000;

/** A reading that cannot be one, and why. */
export interface ReadingFault {
  readonly step: string;
  readonly message: string;
}

/**
 * A job as it is tested: its groups with their suspects, probes and solved states. What is
 * solved is kept, so that one reading more costs next to nothing.
 */
export class TestBench {
  readonly groups: readonly Testable[];
  readonly circuit: Circuit;
  /** What is measured before anything is tried: the sources at rest. */
  readonly first: readonly ScriptStep[];
  /** Highest volts that anything here gives. */
  private readonly mostV: number;
  private readonly byId = new Map<string, { readonly probe: Probe; readonly group: Testable }>();

  /** @param volts the battery and pack as measured first; as they rest where nobody has. */
  constructor(
    private readonly job: Job,
    volts: SourceVolts = restVolts(job.vehicle),
  ) {
    this.circuit = synthesise(job);
    this.groups = testGroups(job, this.circuit).map((group): Testable => {
      const seen = new Set<string>();
      const measured = new Set<NodeId>();
      const ofGroup = new Map<string, SolvedNetwork | null>();
      const runs = group.group.runs.map((run): CircuitTest => {
        const part = partOf(group.circuit, [run]);
        const bench = new Bench(job, group.circuit, part, ofGroup);
        const states = statesOf(job, group.group, run.runId, volts);
        // What two runs share is measured once, with the first of them.
        const fuses = [...group.circuit.elements.values()].flatMap((e) =>
          e.kind === "fuse" ? [e.id] : [],
        );
        const last = states.at(-1);
        const ways = last ? ohmProbesOf(job, part, deadState(last, fuses), bench) : [];
        // What several runs hang on is measured with the first of them, and not in each position.
        const dead = ways.filter(({ at }) => at.kind === "ohms" && !measured.has(at.node));
        for (const { at } of dead) if (at.kind === "ohms") measured.add(at.node);
        const probes = [...dead, ...probesOf(job, part, states, bench)].filter(
          ({ id }) => !seen.has(id),
        );
        for (const { id } of probes) seen.add(id);
        return { runId: run.runId, bench, states, probes };
      });
      return { ...group, runs };
    });
    for (const group of this.groups) {
      for (const { probes } of group.runs) {
        for (const probe of probes) this.byId.set(probe.id, { probe, group });
      }
    }
    this.first = restProbes(this.groups).map((probe) => {
      const [low, high] = restRange(job.vehicle, probe);
      return { probe, expected: probe.bench.sound(probe), low, high };
    });
    this.mostV = Math.max(volts.sourceV, volts.packV, 1);
  }

  /** From and to what a probe reads as it should: of a source at rest, whatever it was measured as. */
  range(probe: Probe): readonly [low: number, high: number] {
    const first = this.first.find((step) => step.probe.id === probe.id);
    return first ? [first.low, first.high] : soundRange(probe);
  }

  /** What can be pulled or parted on the way of a run: fuses, and plugs. */
  partable(group: Testable): { readonly id: ElementId; readonly words: string }[] {
    return [...group.circuit.elements.values()].flatMap((element) => {
      const name = `${insideOf(element).name(element)} of ${ownerName(this.job, element.runId)}`;
      if (element.kind === "fuse") return [{ id: element.id, words: `${name} pulled` }];
      return element.kind === "connector" ? [{ id: element.id, words: `${name} parted` }] : [];
    });
  }

  /** Everything that can be measured or seen of a run while something of it is apart. */
  probesParted(group: Testable, runId: CircuitId, state: TestState, id: ElementId): Probe[] {
    const run = group.runs.find((r) => r.runId === runId);
    const words = this.partable(group).find((p) => p.id === id)?.words;
    if (!run || words === undefined) return [];
    const part = partOf(
      group.circuit,
      group.group.runs.filter((r) => r.runId === runId),
    );
    const probes = probesOf(this.job, part, [partedState(state, id, words)], run.bench);
    for (const probe of probes) this.byId.set(probe.id, { probe, group });
    return probes;
  }

  find(step: string): { readonly probe: Probe; readonly group: Testable } | null {
    return this.byId.get(step) ?? null;
  }

  /** Why a reading cannot be, in words that say what to look at; null where it can. */
  impossible({ step, value }: TakenReading): string | null {
    const found = this.find(step);
    if (!found) return "there is no such step in this job";
    const { probe } = found;
    if (!Number.isFinite(value)) return `${value} is no reading`;
    switch (probe.at.kind) {
      case "look":
        return value >= 0 && value <= 1 ? null : "something does nothing, something or all";
      case "ohms":
        return value < 0
          ? `${value} Ω cannot be: is something live, or the meter not zeroed?`
          : null;
      case "amps":
        // Around nothing a clamp shows a little either way.
        if (value < -CLAMP_ZERO_A) return `${value} A: is the clamp the other way round?`;
        return value > MOST_A ? `${value} A: is it in mA?` : null;
      case "milliamps":
        if (value < -CLAMP_ZERO_A) return `${value} mA: are the tips the wrong way round?`;
        return value > MOST_SERIES_MA
          ? `${value} mA: the meter's own fuse would be gone. Is it in µA?`
          : null;
      case "volts": {
        const { value: sound } = probe.bench.sound(probe);
        if (value < -0.5 && Math.abs(value + sound) < 0.25 * Math.abs(sound) + 0.5) {
          return `${value} V where ${sound.toFixed(1)} V is expected: are the tips the wrong way round?`;
        }
        if (Math.abs(value) > 1.4 * this.mostV + 2) {
          return `${value} V cannot be: nothing here gives more than ${this.mostV.toFixed(1)} V. Is it in mV, or the range another?`;
        }
        return null;
      }
    }
  }

  /** Ranks what may be wrong in each group that something was read of. */
  diagnose(readings: readonly TakenReading[]): {
    readonly groups: readonly { readonly group: Testable; readonly diagnosis: Diagnosis }[];
    readonly faults: readonly ReadingFault[];
  } {
    const faults: ReadingFault[] = [];
    const evidence = new Map<Testable, Evidence[]>();
    for (const reading of readings) {
      const message = this.impossible(reading);
      const found = this.find(reading.step);
      if (message !== null || !found) {
        faults.push({ step: reading.step, message: message ?? "there is no such step" });
        continue;
      }
      const list = evidence.get(found.group) ?? [];
      list.push({ probe: found.probe, value: reading.value });
      evidence.set(found.group, list);
    }
    const groups = [...evidence].map(([group, list]) => ({
      group,
      diagnosis: diagnose(group, list),
    }));
    return { groups, faults };
  }
}
