import { expose } from "comlink";
import {
  BusFollower,
  CandumpReader,
  RUNNING_STATES,
  SIMULATED_DBC,
  alternatives,
  benchAt,
  boundsOfRides,
  breakEven,
  chargingBudget,
  chargingOutputA,
  checkedCircuit,
  compareWays,
  controlsOf,
  cutListOf,
  faultsOfRun,
  faultsOfTrunk,
  fitChargingCurve,
  flashRemedies,
  framesOf,
  groupFindings,
  groupsOf,
  legsOf,
  measureFlash,
  minutesToRepay,
  planJob,
  proveGroup,
  printCandump,
  printScript,
  readDbc,
  readScript,
  rideSamples,
  routeOf,
  seeded,
  seenByVehicle,
  simulateRide,
  simulateSignals,
  soundRemedies,
  switchOffFirst,
  synthesise,
  weakestPoints,
  toolsOf,
  withCauses,
  type BenchControls,
  type BenchView,
  type BreakEven,
  type ChargingFacts,
  type Circuit,
  type CutList,
  type Difference,
  type Fault,
  type FaultResult,
  type FindingGroup,
  type FlashMeasure,
  type FlashRemedy,
  type Input,
  type Interval,
  type Job,
  type JobPlan,
  type Part,
  type Ride,
  type RideBounds,
  type RideLeg,
  type RideSamples,
  type RoutePlan,
  type RunId,
  type RunningState,
  type Seen,
  type Tool,
  type SignalTrace,
  type SwitchOff,
  type UnitSystem,
} from "@dragonet/core";

export interface BenchPlan extends JobPlan {
  readonly controls: BenchControls;
}

export interface TrialReport {
  readonly positions: number;
  /** Positions there are; more than were solved where there are very many. */
  readonly possible: number;
  readonly differences: readonly Difference[];
  readonly faults: readonly FaultResult[];
  readonly weakest: readonly FaultResult[];
}

/** The job last planned, with its circuit: what the controls are pressed on. */
let current: { job: Job; circuit: Circuit } | null = null;

/** The last report and what it was made from. */
let reported: { key: string; report: TrialReport } | null = null;

let trial = 0;
let bounding = 0;
/** Rides drawn within the bounds of their facts: enough for the edges to stand still. */
const BOUND_SAMPLES = 200;

export interface RideReport {
  readonly ride: Ride;
  readonly legs: readonly RideLeg[];
  readonly states: readonly {
    readonly state: RunningState;
    readonly even: BreakEven;
    readonly repayMinutes: number | null;
  }[];
  /** The state that falls short, or idle. */
  readonly worst: RunningState;
  readonly switchOff: readonly SwitchOff[];
  readonly curve: readonly { readonly rpm: number; readonly output: Interval }[];
  readonly loadA: readonly { readonly rpm: number; readonly load: Interval }[];
}

/** What a log of the bus gave: the controls as a script, and how much of it was known. */
export interface Replay {
  readonly script: string;
  readonly known: number;
  readonly unknown: number;
  readonly faults: readonly Fault[];
}

let replaying = 0;

export type PlayReport =
  | {
      readonly ok: true;
      readonly trace: SignalTrace;
      /** In the order of the trace's lamps; null for one that does not flash. */
      readonly measures: readonly (FlashMeasure | null)[];
      readonly seen: readonly Seen[];
      readonly remedies: readonly FlashRemedy[];
    }
  | { readonly ok: false; readonly faults: readonly Fault[] };

const CURVE_STEPS = 24;

/** The charging curve with its bounds, over the speeds it is known for. */
function curveOf(charging: ChargingFacts): RideReport["curve"] {
  const { points } = charging;
  const [first, last] = [points[0]!.rpm, points[points.length - 1]!.rpm];
  return Array.from({ length: CURVE_STEPS + 1 }, (_, i) => {
    const rpm = first + ((last - first) * i) / CURVE_STEPS;
    const exact = { value: rpm, low: rpm, high: rpm, provenance: "measured" } as const;
    return { rpm, output: chargingOutputA(charging, exact) };
  });
}

/** Lets messages in between two slices of long work: a newer trial ends an older one. */
const breathe = (): Promise<void> => new Promise((done) => setTimeout(done, 0));

/** What the page asks the heart to compute, off the page's own thread. */
const planner = {
  plan(job: Job, units: UnitSystem): BenchPlan {
    const circuit = synthesise(job);
    current = { job, circuit };
    return { ...planJob(job, units), controls: controlsOf(job, circuit) };
  },

  alternatives,

  /** The causes of the job last planned with the ways out that make the whole job better. */
  remedies(): readonly FindingGroup[] | null {
    if (!current) return null;
    const { findings } = checkedCircuit(current.job);
    return soundRemedies(current.job, groupFindings(findings), findings);
  },

  /** The strips with the controls as they are; null before anything was planned. */
  bench(
    inputs: ReadonlySet<Input>,
    switches: ReadonlySet<RunId>,
    units: UnitSystem,
  ): BenchView | null {
    return current && benchAt(current.job, current.circuit, { inputs, switches }, units);
  },

  /** Every position and every single fault, in slices; null when a newer call came. */
  async tryEverything(onProgress: (share: number) => void): Promise<TrialReport | null> {
    trial += 1;
    const mine = trial;
    if (!current) return null;
    const { job, circuit } = current;
    const key = JSON.stringify([
      [...circuit.elements.values()],
      job.runs,
      job.practices,
      job.vehicle.system,
    ]);
    if (reported?.key === key) return reported.report;
    const groups = groupsOf(job, circuit);
    const slices = groups.length + circuit.trunks.length + circuit.runs.length;
    let done = 0;
    const slice = async (): Promise<boolean> => {
      done += 1;
      onProgress(done / slices);
      await breathe();
      return mine === trial;
    };
    let [positions, possible] = [0, 0];
    const differences: Difference[] = [];
    for (const group of groups) {
      const proof = proveGroup(job, circuit, group);
      positions += proof.positions;
      possible += proof.possible;
      differences.push(...proof.differences);
      if (!(await slice())) return null;
    }
    const faults: FaultResult[] = [];
    for (const trunk of circuit.trunks) {
      faults.push(...faultsOfTrunk(job, circuit, trunk));
      if (!(await slice())) return null;
    }
    for (const run of circuit.runs) {
      faults.push(...faultsOfRun(job, circuit, run));
      if (!(await slice())) return null;
    }
    const named = withCauses(job, differences);
    const report = {
      positions,
      possible,
      differences: named,
      faults,
      weakest: weakestPoints(faults),
    };
    reported = { key, report };
    return report;
  },

  /** A ride on the job's own legs, and where the charging system breaks even. */
  ride(job: Job, startSoc: number): RideReport | null {
    const { system } = job.vehicle;
    if (system.kind !== "engine") return null;
    const circuit = synthesise(job);
    const { charging, battery } = system;
    const states = RUNNING_STATES.map((state) => {
      const { spareA } = chargingBudget(job, circuit, charging, state);
      return {
        state,
        even: breakEven(job, circuit, charging, state),
        repayMinutes: minutesToRepay(spareA.mid),
      };
    });
    const worst = states.find((s) => s.repayMinutes === null)?.state ?? "idle";
    return {
      ride: simulateRide(job, circuit, charging, battery, startSoc),
      legs: legsOf(job, charging),
      states,
      worst,
      switchOff: switchOffFirst(job, circuit, charging, worst),
      curve: curveOf(charging),
      loadA: RUNNING_STATES.map((state) => ({
        rpm: charging[`${state}Rpm`].value,
        load: chargingBudget(job, circuit, charging, state).loadA,
      })),
    };
  },

  /** The same ride many times within its bounds, in slices; null when a newer call came. */
  async rideBounds(
    job: Job,
    startSoc: number,
    onProgress: (share: number) => void,
  ): Promise<RideBounds | null> {
    const { system } = job.vehicle;
    if (system.kind !== "engine") return null;
    bounding += 1;
    const mine = bounding;
    const circuit = synthesise(job);
    const random = seeded(20);
    const made: RideSamples[] = [];
    const slices = 10;
    for (let i = 0; i < slices; i += 1) {
      onProgress(i / slices);
      await breathe();
      if (mine !== bounding) return null;
      made.push(
        rideSamples(
          job,
          circuit,
          system.charging,
          system.battery,
          startSoc,
          random,
          BOUND_SAMPLES / slices,
        ),
      );
    }
    return boundsOfRides(made);
  },

  compare: compareWays,

  /** A script of the controls played: every lamp's changes, and what to do about the flash. */
  play(job: Job, text: string, shelf: readonly Part[]): PlayReport {
    const script = readScript(job, text);
    if (!script.ok) return { ok: false, faults: script.faults };
    const circuit = synthesise(job);
    const trace = simulateSignals(job, circuit, script.value);
    const measures = trace.lamps.map(measureFlash);
    const remedies = flashRemedies(job, script.value, shelf);
    return { ok: true, trace, measures, remedies, seen: seenByVehicle(job, circuit) };
  },

  fitCurve: fitChargingCurve,

  /** What to lay out before the first step. */
  tools(job: Job): Tool[] {
    return toolsOf(job, synthesise(job));
  },

  /** Every wire to cut, with its ends, spools and bundles. */
  cutList(job: Job, spoolM: number): CutList {
    return cutListOf(job, synthesise(job), spoolM);
  },

  /** Where each wire runs over the vehicle's map. */
  route(job: Job): RoutePlan {
    return routeOf(job, synthesise(job));
  },

  /** Faults of a DBC file; none when it can be used. */
  checkDbc(text: string): readonly Fault[] {
    const read = readDbc(text);
    return read.ok ? [] : read.faults;
  },

  /** A script's controls as a candump log of the simulated bus. */
  busLog(job: Job, text: string): string {
    const script = readScript(job, text);
    const dbc = readDbc(SIMULATED_DBC);
    return script.ok && dbc.ok ? printCandump(framesOf(dbc.value, script.value)) : "";
  },

  /** Follows a candump log of any length, piece by piece; null when it was stopped. */
  async replay(
    file: File,
    dbcText: string | null,
    onProgress: (share: number) => void,
  ): Promise<Replay | null> {
    replaying += 1;
    const mine = replaying;
    const dbc = readDbc(dbcText ?? SIMULATED_DBC);
    if (!dbc.ok) return { script: "", known: 0, unknown: 0, faults: dbc.faults };
    const reader = new CandumpReader();
    const follower = new BusFollower(dbc.value);
    const stream = file.stream().pipeThrough(new TextDecoderStream()).getReader();
    let taken = 0;
    for (;;) {
      const { done, value } = await stream.read();
      if (done) break;
      if (mine !== replaying) {
        await stream.cancel();
        return null;
      }
      follower.push(reader.push(value));
      taken += value.length;
      onProgress(Math.min(1, taken / Math.max(1, file.size)));
    }
    follower.push(reader.end());
    const { events, endS, known, unknown } = follower;
    const script = events.length > 0 ? printScript({ events, endS: endS + 5 }) : "";
    return { script, known, unknown, faults: reader.faults };
  },

  stopReplay(): void {
    replaying += 1;
  },

  /** The whole loom as SVG; the layout library is fetched when it is first asked for. */
  async loom(job: Job, units: UnitSystem): Promise<string> {
    const { loomPage } = await import("@dragonet/loom");
    return loomPage(job, units, {
      fontFamily: "var(--font-sans)",
      ink: "currentColor",
      paper: "var(--paper)",
    });
  },

  /** Ends a trial that is under way. */
  stop(): void {
    trial += 1;
  },
};

export type Planner = typeof planner;

expose(planner);
