import { sourceOhms, type SourceOhms } from "../source/index.ts";
import type { Circuit } from "../circuit/index.ts";
import { elementOf } from "../circuit/index.ts";
import { asId, type ElementId, type Job } from "../job/index.ts";
import {
  solveCircuitWith,
  type Network,
  type NetworkBranch,
  type SolvedNetwork,
} from "../network/index.ts";
import { workLevel } from "../part/index.ts";
import { realSources, withFaults, type FaultChange } from "../proof/index.ts";
import type { Estimate } from "../solve/elementOhm.ts";
import { reachable, type Expected, type Predictor, type Probe, type ProbeAt } from "./probe.ts";
import type { TestState } from "./states.ts";
import type { FaultSuspect, Suspect } from "./suspects.ts";

/** Share of reading and digits that a good hand meter may be off; clamps are coarser. Maker's paper of the usual class, from memory. */
const METER = { V: { share: 0.008, digits: 0.02 }, A: { share: 0.03, digits: 0.05 } } as const;
/** A joint has any resistance: what it does is known to this share of the difference it makes. */
const JOINT_SPREAD = 0.4;
const FAULT_SPREAD = 0.04;
/** Brightness as a share that the eye can be off. */
const EYE_SIGMA = 0.12;
const AS_BUILT = { kind: "sound", id: "sound", words: "as built", prior: 0 } as const;
/** A relay that chatters, or a circuit without a solution: nothing can be predicted. */
const UNKNOWN: Expected = { value: 0, sigma: Infinity };

export function valueAt(circuit: Circuit, at: ProbeAt, { volts, amps }: SolvedNetwork): number {
  switch (at.kind) {
    case "volts":
      return (volts.get(at.node) ?? 0) - (volts.get(at.against) ?? 0);
    case "amps":
      return Math.abs(amps.get(at.elementId) ?? 0);
    case "look": {
      const load = elementOf(circuit, at.elementId);
      if (load.kind !== "load") return 0;
      const across = (volts.get(load.from) ?? 0) - (volts.get(load.to) ?? 0);
      return Math.min(1, workLevel(load.part.load, across, amps.get(load.id) ?? 0));
    }
  }
}

/** Input resistance of a hand meter, in Ω: common practice. */
const METER_OHM = 1e7;
/** A meter that takes ten times as much: what then reads otherwise merely hangs there. */
const POOR_METER_OHM = 1e6;

const loads = new WeakMap<Circuit, readonly NetworkBranch[]>();

/**
 * A meter at every place that a tip can reach. Each takes a millionth of an ampere, and no more
 * than that is needed to tell what is fed from what merely hangs there.
 */
function meterLoads(circuit: Circuit): readonly NetworkBranch[] {
  const known = loads.get(circuit);
  if (known) return known;
  const made = reachable(circuit).map(({ node, against }, i): NetworkBranch => ({
    ...{ id: asId<ElementId>(`meter${i}`), from: node, to: against, words: "meter" },
    model: { kind: "resistor", ohm: METER_OHM },
  }));
  loads.set(circuit, made);
  return made;
}

/** The network as it is measured: real sources, faults in it, and the meter's own load. */
export function asMeasured(
  { circuit, ohms }: { readonly circuit: Circuit; readonly ohms: SourceOhms },
  network: Network,
  faults: readonly FaultChange[],
  ohm = METER_OHM,
): Network {
  const real = realSources(circuit, withFaults(network, faults), ohms);
  const meters = meterLoads(circuit).map((branch) => ({
    ...branch,
    model: { kind: "resistor" as const, ohm },
  }));
  return { ...real, branches: [...real.branches, ...meters] };
}

/**
 * A run of a group with its faults in its states, each solved once and only when it is asked
 * for. Faults are tried on what the run hangs on alone, and what they change there is laid on
 * what the whole group reads: what its neighbours draw is in it, and not solved each time.
 */
export class Bench implements Predictor {
  private readonly solved = new Map<string, SolvedNetwork | null>();
  private readonly expected = new Map<string, Map<string, Expected>>();

  constructor(
    private readonly job: Job,
    private readonly group: Circuit,
    readonly circuit: Circuit,
  ) {}

  private solve(
    circuit: Circuit,
    suspect: FaultSuspect | null,
    state: TestState,
    estimate: Estimate,
    ohm = METER_OHM,
  ): SolvedNetwork | null {
    const whole = circuit === this.group ? "whole" : "run";
    const key = `${whole}|${suspect?.id ?? ""}|${state.id}|${estimate}|${ohm}`;
    const known = this.solved.get(key);
    if (known !== undefined) return known;
    const ohms = sourceOhms(this.job.vehicle);
    const change = (network: Network): Network =>
      asMeasured({ circuit, ohms }, network, suspect?.changes ?? [], ohm);
    const result = solveCircuitWith(circuit, {
      position: state.position,
      celsius: this.job.practices.ambientC,
      estimate,
      change,
      // Faults change ohms alone, but for what touches the frame.
      shape: (suspect?.changes ?? []).map(({ touches }) => touches ?? "").join(" "),
    });
    const settled = result.kind === "solved" ? result.result : null;
    this.solved.set(key, settled);
    return settled;
  }

  touches(suspect: FaultSuspect): boolean {
    return suspect.elementIds.some((id) => this.circuit.elements.has(id));
  }

  private onRun(
    suspect: FaultSuspect | null,
    probe: Probe,
    estimate: Estimate = "value",
  ): number | null {
    const solved = this.solve(this.circuit, suspect, probe.state, estimate);
    return solved ? valueAt(this.circuit, probe.at, solved) : null;
  }

  reads(suspect: FaultSuspect | null, probe: Probe): number | null {
    const solved = this.solve(this.group, null, probe.state, "value");
    if (!solved) return null;
    const sound = valueAt(this.group, probe.at, solved);
    if (!suspect || !this.touches(suspect)) return sound;
    const [with_, without] = [this.onRun(suspect, probe), this.onRun(null, probe)];
    if (with_ === null || without === null) return null;
    return sound + with_ - without;
  }

  sound(probe: Probe): Expected {
    return this.expects(AS_BUILT, probe);
  }

  expects(suspect: Suspect, probe: Probe): Expected {
    if (suspect.kind === "other") return UNKNOWN;
    // What is in nothing that the run hangs on leaves it as it is.
    const far = suspect.kind === "fault" && !this.touches(suspect);
    const of = far ? AS_BUILT : suspect;
    let known = this.expected.get(probe.id);
    if (!known) this.expected.set(probe.id, (known = new Map<string, Expected>()));
    let expected = known.get(of.id);
    if (!expected) known.set(of.id, (expected = this.work(of, probe)));
    return expected;
  }

  private work(suspect: Exclude<Suspect, { kind: "other" }>, probe: Probe): Expected {
    if (suspect.kind === "sound") return this.asBuilt(probe);
    const sound = this.sound(probe);
    if (suspect.kind === "facts") {
      return { value: sound.value, sigma: Math.max(3 * sound.sigma, 0.1 * Math.abs(sound.value)) };
    }
    const value = this.reads(suspect, probe);
    if (value === null) return UNKNOWN;
    const spread = suspect.fault === "badJoint" ? JOINT_SPREAD : FAULT_SPREAD;
    const known = probe.at.kind === "look" ? EYE_SIGMA : sound.sigma;
    return { value, sigma: Math.hypot(known, spread * Math.abs(value - sound.value)) };
  }

  private asBuilt(probe: Probe): Expected {
    const value = this.reads(null, probe);
    if (value === null) return UNKNOWN;
    if (probe.at.kind === "look") return { value, sigma: EYE_SIGMA };
    const run = this.onRun(null, probe) ?? value;
    const ends = (["low", "high"] as const).map((estimate) => this.onRun(null, probe, estimate));
    const spread = Math.max(...ends.map((end) => Math.abs((end ?? run) - run)));
    const { share, digits } = METER[probe.unit === "A" ? "A" : "V"];
    const poor = this.solve(this.group, null, probe.state, "value", POOR_METER_OHM);
    const hangs = poor ? Math.abs(valueAt(this.group, probe.at, poor) - value) : 0;
    // Bounds are taken as two standard deviations.
    const sigma = Math.hypot(spread / 2, (share * Math.abs(value) + digits) / 2, hangs);
    return { value, sigma };
  }
}

/** Bounds within which a reading is as it should be: three standard deviations. */
export const boundsOfExpected = ({ value, sigma }: Expected): readonly [number, number] => [
  value - 3 * sigma,
  value + 3 * sigma,
];
