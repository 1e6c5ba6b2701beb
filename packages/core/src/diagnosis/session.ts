import { synthesise } from "../synthesis/index.ts";
import type { Job } from "../job/index.ts";
import { partOf } from "../proof/index.ts";
import { restVolts, type SourceVolts } from "../source/index.ts";
import { diagnose, type Diagnosis, type Evidence } from "./diagnose.ts";
import { Bench } from "./predict.ts";
import { probesOf, type Probe } from "./probe.ts";
import { statesOf } from "./states.ts";
import { testGroups } from "./suspects.ts";
import type { RunTest, Testable } from "./testable.ts";

/** A reading as it is kept: what it was taken at, and what it was. */
export interface TakenReading {
  /** The probe's id. */
  readonly step: string;
  /** V, A, or the share of full brightness that was seen. */
  readonly value: number;
}

/** What a hand clamp may show around a wire without current, and the most it can show, in A: common practice. */
const CLAMP_ZERO_A = 0.5;
const MOST_A = 300;

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
  /** Highest volts that anything here gives. */
  private readonly mostV: number;
  private readonly byId = new Map<string, { readonly probe: Probe; readonly group: Testable }>();

  /** @param volts the battery and pack as measured first; as they rest where nobody has. */
  constructor(job: Job, volts: SourceVolts = restVolts(job.vehicle)) {
    this.groups = testGroups(job, synthesise(job)).map((group): Testable => {
      const seen = new Set<string>();
      const runs = group.group.runs.map((run): RunTest => {
        const part = partOf(group.circuit, [run]);
        const bench = new Bench(job, group.circuit, part);
        const states = statesOf(job, group.group, run.runId, volts);
        // What two runs share is measured once, with the first of them.
        const probes = probesOf(job, part, states, bench).filter(({ id }) => !seen.has(id));
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
    this.mostV = Math.max(volts.sourceV, volts.packV, 1);
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
      case "amps":
        // Around nothing a clamp shows a little either way.
        if (value < -CLAMP_ZERO_A) return `${value} A: is the clamp the other way round?`;
        return value > MOST_A ? `${value} A: is it in mA?` : null;
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
