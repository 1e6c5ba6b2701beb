import { sourceOhms, type SourceOhms } from "../../source/index.ts";
import type { Circuit } from "../../circuit/index.ts";
import { elementOf } from "../../circuit/index.ts";
import { asId, onceOf, type ElementId, type Job, type NodeId } from "../../job/index.ts";
import {
  solveCircuitWith,
  type Network,
  type NetworkBranch,
  type SolvedNetwork,
} from "../../network/index.ts";
import { workLevel } from "../../part/index.ts";
import { ZERO, width, type Interval } from "../../quantity/index.ts";
import { realSources, withFaults, type FaultChange } from "../../proof/index.ts";
import { OPEN_OHM } from "../../solve/defaults.ts";
import type { Estimate } from "../../solve/elementOhm.ts";
import { between } from "./behind.ts";
import { ohmSigma, ohmsBetween, underOhmMeter } from "./ohms.ts";
import { standingMa } from "./standing.ts";
import { reachable, type Expected, type Predictor, type Probe, type ProbeAt } from "./probe.ts";
import type { TestState } from "./states.ts";
import type { FaultSuspect, Suspect } from "../suspect/suspects.ts";

/** Share of reading and digits that a good hand meter may be off; clamps are coarser. Maker's paper of the usual class, from memory. */
const METER = {
  V: { share: 0.008, digits: 0.02 },
  A: { share: 0.03, digits: 0.05 },
  // Under a milliamp nobody counts: it takes a year to empty a battery (common practice).
  mA: { share: 0.015, digits: 1 },
} as const;
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
    case "milliamps":
      return 1000 * Math.abs(amps.get(at.elementId) ?? 0);
    case "ohms":
      return ohmsBetween({ volts }, at.node, at.against);
    case "look": {
      const load = elementOf(circuit, at.elementId);
      if (load.kind !== "load") return 0;
      const across = (volts.get(load.from) ?? 0) - (volts.get(load.to) ?? 0);
      return Math.min(1, workLevel(load.part.load, across, amps.get(load.id) ?? 0));
    }
  }
}

/** What no hand meter shows, V. */
const NOTHING_V = 1e-3;

/** Input resistance of a hand meter, in Ω: common practice. */
const METER_OHM = 1e7;
/** A meter that takes ten times as much: what then reads otherwise merely hangs there. */
const POOR_METER_OHM = 1e6;

const loadsByOhm = onceOf((_: Circuit) => new Map<number, readonly NetworkBranch[]>());

/**
 * A meter at every place that a tip can reach. Each takes a millionth of an ampere, and no more
 * than that is needed to tell what is fed from what merely hangs there.
 */
function meterLoads(circuit: Circuit, ohm: number): readonly NetworkBranch[] {
  const byOhm = loadsByOhm(circuit);
  let made = byOhm.get(ohm);
  if (!made) {
    const model = { kind: "resistor" as const, ohm };
    made = reachable(circuit).map(({ node, against }, i): NetworkBranch => ({
      ...{ id: asId<ElementId>(`meter${i}`), from: node, to: against, words: "meter", model },
    }));
    byOhm.set(ohm, made);
  }
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
  return { ...real, branches: [...real.branches, ...meterLoads(circuit, ohm)] };
}

/** Where an ohm meter's tips are. */
interface Tips {
  readonly node: NodeId;
  readonly against: NodeId;
}

/** A network with nothing live in it, an ohm meter at its tips; hand meters keep it from floating. */
function dead(circuit: Circuit, network: Network, { node, against }: Tips): Network {
  const { branches, held } = underOhmMeter(network, node, against);
  return { branches: [...branches, ...meterLoads(circuit, METER_OHM)], held };
}

/**
 * A run of a group with its faults in its states, each solved once and only when it is asked
 * for. Faults are tried on what the run hangs on alone, and what they change there is laid on
 * what the whole group reads: what its neighbours draw is in it, and not solved each time.
 */
export class Bench implements Predictor {
  private readonly solved = new Map<TestState, Map<string, SolvedNetwork | null>>();
  private readonly expected = new Map<string, Map<string, Expected>>();
  /** What every reading asks for, worked out once: a script asks some hundred thousand times. */
  private readonly groupIn = new Map<TestState, SolvedNetwork | null>();
  private readonly idleIn = new Map<TestState, Map<FaultSuspect, boolean>>();
  private readonly touched = new Map<FaultSuspect, boolean>();
  private readonly ohms: SourceOhms;
  private readonly behind = new Map<NodeId, ReadonlySet<ElementId>>();

  constructor(
    private readonly job: Job,
    private readonly group: Circuit,
    readonly circuit: Circuit,
    /** The group as built in each position: one for all its runs. */
    private readonly ofGroup: Map<string, SolvedNetwork | null> = new Map(),
  ) {
    this.ohms = sourceOhms(job.vehicle);
  }

  /** What was solved in a state, by what it was solved for; solved when it is first asked for. */
  private known(
    state: TestState,
    key: string,
    solve: () => SolvedNetwork | null,
  ): SolvedNetwork | null {
    let byKey = this.solved.get(state);
    if (!byKey) {
      byKey = new Map<string, SolvedNetwork | null>();
      this.solved.set(state, byKey);
    }
    let found = byKey.get(key);
    if (found === undefined) {
      found = solve();
      byKey.set(key, found);
    }
    return found;
  }

  private solve(
    circuit: Circuit,
    suspect: FaultSuspect | null,
    state: TestState,
    {
      estimate = "value",
      ohm = METER_OHM,
      tips = null,
    }: { estimate?: Estimate; ohm?: number; tips?: Tips | null } = {},
  ): SolvedNetwork | null {
    const parted = state.parted.filter((id) => circuit.elements.has(id));
    const changes: readonly FaultChange[] = [
      ...(suspect?.changes ?? []),
      { ohms: parted.map((id) => [id, OPEN_OHM] as const), touches: null },
    ];
    const touched = (suspect?.changes ?? []).flatMap(({ touches }) => touches ?? []);
    const { ohms } = this;
    const result = solveCircuitWith(circuit, {
      position: state.position,
      celsius: this.job.practices.ambientC,
      estimate,
      change: (network) =>
        tips
          ? dead(circuit, withFaults(network, changes), tips)
          : asMeasured({ circuit, ohms }, network, changes, ohm),
      // Faults change ohms alone, but for what touches the frame.
      shape: `${tips?.node ?? ""} ${touched.join(" ")}`,
    });
    return result.kind === "solved" ? result.result : null;
  }

  /** The whole group as built, with what its neighbours draw: asked for at every reading. */
  private asGroup(state: TestState): SolvedNetwork | null {
    let found = this.groupIn.get(state);
    if (found === undefined) {
      found = this.groupWith(state, METER_OHM);
      this.groupIn.set(state, found);
    }
    return found;
  }

  private groupWith(state: TestState, ohm: number): SolvedNetwork | null {
    const key = `${state.id} ${ohm}`;
    let found = this.ofGroup.get(key);
    if (found === undefined) {
      found = this.solve(this.group, null, state, { ohm });
      this.ofGroup.set(key, found);
    }
    return found;
  }

  touches(suspect: FaultSuspect): boolean {
    let touched = this.touched.get(suspect);
    if (touched === undefined) {
      touched = suspect.elementIds.some((id) => this.circuit.elements.has(id));
      this.touched.set(suspect, touched);
    }
    return touched;
  }

  private onRun(
    suspect: FaultSuspect | null,
    { state, at }: Probe,
    estimate: Estimate = "value",
  ): number | null {
    const key = suspect ? suspect.id : `as built ${estimate}`;
    const solved = this.known(state, key, () =>
      this.solve(this.circuit, suspect, state, { estimate }),
    );
    return solved ? valueAt(this.circuit, at, solved) : null;
  }

  /** Whether a fault is in anything that an ohm meter's current goes through. */
  private liesBehind({ elementIds }: FaultSuspect, { state, at }: Probe): boolean {
    if (at.kind !== "ohms") return false;
    let behind = this.behind.get(at.node);
    if (!behind) {
      behind = between(this.circuit, at.node, at.against, new Set(state.parted));
      this.behind.set(at.node, behind);
    }
    return elementIds.some((id) => behind.has(id));
  }

  /** Ohms are measured on the run alone: everything else is behind a fuse that is out. */
  private wayOhms(suspect: FaultSuspect | null, { state, at }: Probe): number | null {
    if (at.kind !== "ohms") return null;
    const key = `${at.node} ${suspect?.id ?? "as built"}`;
    const solved = this.known(state, key, () =>
      this.solve(this.circuit, suspect, state, { tips: at }),
    );
    return solved ? valueAt(this.circuit, at, solved) : null;
  }

  /**
   * A change where nothing flows and nothing stands across changes nothing, whatever its ohms:
   * there is no need to solve that.
   */
  private idle(suspect: FaultSuspect, state: TestState): boolean {
    let inState = this.idleIn.get(state);
    if (!inState) this.idleIn.set(state, (inState = new Map<FaultSuspect, boolean>()));
    let idle = inState.get(suspect);
    if (idle === undefined) inState.set(suspect, (idle = this.changesNothing(suspect, state)));
    return idle;
  }

  private changesNothing({ changes }: FaultSuspect, state: TestState): boolean {
    const solved = this.asGroup(state);
    if (!solved) return false;
    const { amps, volts } = solved;
    const nothingAt = (node: NodeId): boolean => Math.abs(volts.get(node) ?? Infinity) < NOTHING_V;
    const nothingIn = (id: ElementId, ohm: number): boolean => {
      const element = this.group.elements.get(id);
      const flows = amps.get(id);
      if (!element || flows === undefined) return false;
      const across = (volts.get(element.from) ?? 0) - (volts.get(element.to) ?? 0);
      return Math.max(Math.abs(across), Math.abs(flows) * ohm) < NOTHING_V;
    };
    return changes.every(
      ({ ohms, touches }) =>
        (touches === null || nothingAt(touches)) && ohms.every(([id, ohm]) => nothingIn(id, ohm)),
    );
  }

  private standing(suspect: FaultSuspect | null, { at }: Probe): Interval {
    return at.kind === "milliamps" ? standingMa(this.job, this.group, at.elementId, suspect) : ZERO;
  }

  reads(suspect: FaultSuspect | null, probe: Probe): number | null {
    if (probe.at.kind === "ohms") {
      return this.wayOhms(suspect && this.liesBehind(suspect, probe) ? suspect : null, probe);
    }
    const solved = this.asGroup(probe.state);
    if (!solved) return null;
    const standing = this.standing(suspect, probe).mid;
    const sound = standing + valueAt(this.group, probe.at, solved);
    if (!suspect || !this.touches(suspect) || this.idle(suspect, probe.state)) return sound;
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
    const joint = suspect.fault === "badJoint";
    const spread = joint ? JOINT_SPREAD : FAULT_SPREAD;
    if (probe.at.kind === "ohms") {
      const moved = joint ? JOINT_SPREAD * Math.abs(value - sound.value) : 0;
      return { value, sigma: Math.hypot(ohmSigma(value), moved) };
    }
    const known = probe.at.kind === "look" ? EYE_SIGMA : sound.sigma;
    return { value, sigma: Math.hypot(known, spread * Math.abs(value - sound.value)) };
  }

  private asBuilt(probe: Probe): Expected {
    const value = this.reads(null, probe);
    if (value === null) return UNKNOWN;
    if (probe.at.kind === "look") return { value, sigma: EYE_SIGMA };
    if (probe.at.kind === "ohms") return { value, sigma: ohmSigma(value) };
    const run = this.onRun(null, probe) ?? value;
    const ends = (["low", "high"] as const).map((estimate) => this.onRun(null, probe, estimate));
    const standing = width(this.standing(null, probe)) / 2;
    const spread = standing + Math.max(...ends.map((end) => Math.abs((end ?? run) - run)));
    const { share, digits } = METER[probe.unit === "A" || probe.unit === "mA" ? probe.unit : "V"];
    const poor = this.groupWith(probe.state, POOR_METER_OHM);
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
