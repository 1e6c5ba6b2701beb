import { expose } from "comlink";
import "./port/onceTransfer.ts";
import {
  alternatives,
  benchAt,
  type BenchSetting,
  boundsOfRides,
  checkedCircuit,
  compareWays,
  controlsOf,
  cutListOf,
  faultSlices,
  fitChargingCurve,
  flashRemedies,
  groupFindings,
  groupsOf,
  measureFlash,
  planCalendar,
  planJob,
  proveGroup,
  readSentence,
  readScript,
  rideSamples,
  routeOf,
  seeded,
  seenByVehicle,
  simulateSignals,
  soundRemedies,
  synthesise,
  weakestPoints,
  toolsOf,
  withCauses,
  worthMeasuring,
  type BenchControls,
  type BenchView,
  type CutList,
  type Difference,
  type Fault,
  type FaultResult,
  type FindingGroup,
  type FlashMeasure,
  type FlashRemedy,
  type Job,
  type JobPlan,
  type Part,
  type RideBounds,
  type RideSamples,
  type RoutePlan,
  type SaidJob,
  type Seen,
  type TakenReading,
  type Tool,
  type SignalTrace,
  type UnitSystem,
  type WorthMeasuring,
} from "@dragonet/core";
import {
  lightOf,
  lightPictures,
  proposeAim,
  type LightOf,
  type LightRequest,
  type ProposedAim,
  type ShownLight,
} from "./light.ts";
import type { SaidWorld } from "./port/oncePort.ts";
import { handingOverOf, type HandingOver, type ShopKnows } from "./handingOver.ts";
import {
  judgeReadings,
  mendingOf,
  provingOf,
  suspectDiagrams,
  testedOf,
  type Judged,
  type Proving,
} from "./proving.ts";
import { busLog, checkDbc, replay, stopReplay } from "./replay.ts";
import {
  endExercise,
  nameFault,
  nextDrill,
  partSomething,
  startExercise,
  tryProbe,
} from "./training.ts";
import { emptyJob, plannedJob } from "./makeJob.ts";
import { rideReport } from "./rideReport.ts";

export type { Replay } from "./replay.ts";
export type { RideReport } from "./rideReport.ts";

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

/** The last report and what it was made from. */
let reported: { key: string; report: TrialReport } | null = null;

let trial = 0;
let bounding = 0;
/** Rides drawn within the bounds of their facts: enough for the edges to stand still. */
const BOUND_SAMPLES = 200;

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

/** Lets messages in between two slices of long work: a newer trial ends an older one. */
const breathe = (): Promise<void> => new Promise((done) => setTimeout(done, 0));

/** What the page asks the heart to compute, off the page's own thread. */
export const planner = {
  plan(job: Job, units: UnitSystem): BenchPlan {
    return { ...planJob(job, units), controls: controlsOf(job, synthesise(job)) };
  },

  alternatives,

  planCalendar,

  /** The causes with the ways out that make the whole job better. */
  remedies(job: Job): readonly FindingGroup[] {
    const { findings } = checkedCircuit(job);
    return soundRemedies(job, groupFindings(findings), findings);
  },

  /** The strips with the controls as they are. */
  bench(job: Job, pressed: BenchSetting, units: UnitSystem): BenchView {
    return benchAt(job, synthesise(job), pressed, units);
  },

  /** Every position and every single fault, in slices; null when a newer call came. */
  async tryEverything(job: Job, onProgress: (share: number) => void): Promise<TrialReport | null> {
    trial += 1;
    const mine = trial;
    const circuit = synthesise(job);
    const key = JSON.stringify([
      [...circuit.elements.values()],
      job.runs,
      job.practices,
      job.vehicle.system,
    ]);
    if (reported?.key === key) return reported.report;
    const groups = groupsOf(job, circuit);
    const tries = faultSlices(job, circuit);
    const slices = groups.length + tries.length;
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
    for (const faultsOf of tries) {
      faults.push(...faultsOf());
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

  ride: rideReport,

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
  /** What is worth measuring on its vehicle, the most first. */
  worthMeasuring(job: Job): readonly WorthMeasuring[] {
    return worthMeasuring(job, checkedCircuit(job).circuit);
  },

  checkDbc,
  busLog,
  replay,
  stopReplay,

  /**
   * The whole loom as SVG; the layout library is fetched when it is first asked for. Null where
   * it was never fetched and there is no way to the server.
   */
  async loom(job: Job, units: UnitSystem): Promise<string | null> {
    const library = await import("@dragonet/loom").catch(() => null);
    if (!library) return null;
    return library.loomPage(job, units, {
      fontFamily: "var(--font-sans)",
      ink: "currentColor",
      paper: "var(--paper)",
    });
  },

  /** Fetches what lays a loom out while there still is a network. */
  async fetchLayout(): Promise<void> {
    await import("@dragonet/loom");
  },

  /** Ends a trial that is under way. */
  stop(): void {
    trial += 1;
  },

  /** The test on the vehicle: its steps, what was read, and what that says. */
  proving: (job: Job): Proving => provingOf(job),
  mending: mendingOf,
  tested: testedOf,
  startExercise,
  partSomething,
  tryProbe,
  nameFault,
  endExercise,
  nextDrill,
  suspectDiagrams,

  /** Lamps in place that have a photometry, and how the light of some of them lies. */
  lights: (job: Job): LightOf => lightOf(job),
  lightPictures: (job: Job, request: LightRequest): ShownLight => lightPictures(job, request),
  proposeAim: (job: Job, request: LightRequest): ProposedAim => proposeAim(job, request),

  /** The quote with its options, what is missing before it goes, and the owner's sheet. */
  handingOver: (job: Job, shop: ShopKnows, units: UnitSystem): HandingOver =>
    handingOverOf(job, shop, units),

  /** What a sentence says of a job, and the job that is made of it, or of fields. */
  read: (text: string, world: SaidWorld, today: Date): SaidJob =>
    readSentence(text, { ...world, today }),
  plannedJob,
  emptyJob,

  /** Why readings cannot be and what was expected, one by one. */
  judge: (job: Job, readings: readonly TakenReading[]): Judged[] => judgeReadings(job, readings),
};

export type Planner = typeof planner;

expose(planner);
