import { itemAt } from "../../present/index.ts";
import { elementOf, type Circuit } from "../../circuit/index.ts";
import type { Job, LightingCircuit } from "../../job/index.ts";
import { solveCircuit, type Position } from "../../network/index.ts";
import { asId, type CircuitId, type Input } from "../../job/index.ts";
import { levelShare } from "../levelShare.ts";
import { packRestV, restVolts } from "../../source/index.ts";
import type { PackFacts } from "../../vehicle/index.ts";
import { standbyWOf } from "./packStandby.ts";

/** Lifetime of a lead block: so many discharges to half of its capacity. Handbook value (m). */
const LEAD_CYCLES = 500;
/** The same for lithium, to four fifths. */
const LITHIUM_CYCLES = 1500;

/** What open contacts let by, in W: of that no share is lost. */
const LEAK_W = 0.01;

const lifeAh = (pack: PackFacts): number =>
  pack.chemistry === "leadBlocks"
    ? LEAD_CYCLES * 0.5 * pack.capacityAh.value
    : LITHIUM_CYCLES * 0.8 * pack.capacityAh.value;

/** One block of the pack after an evening and a season of lamps. */
export interface BlockEvening {
  /** Numbered from the pack's negative. */
  readonly block: number;
  /** Taken by the lamps on an evening, in Ah. */
  readonly lampAh: number;
  /** At rest after the evening, in V. */
  readonly restV: number;
  /** Years until its lifetime of discharge is used, driving included. */
  readonly years: number;
}

/** One evening's use of a traction pack. */
export interface PackEvening {
  readonly hours: number;
  /** From the pack to the lamps and to everything before them, in Wh. */
  readonly lampWh: number;
  readonly packWh: number;
  /** Lost in converters and wires, 0–1. */
  readonly lostShare: number;
  /** Of what the pack holds, 0–1, and what that is in km. */
  readonly packShare: number;
  readonly rangeKm: number;
  readonly parkedW: number;
  readonly parkedAhPerDay: number;
  readonly blocks: readonly BlockEvening[];
  /** Between the most and least used block after an evening. */
  readonly apartAh: number;
  readonly apartV: number;
  /** Evenings without equalising until the most used block is down to half; null when never. */
  readonly eveningsToHalf: number | null;
  /** The same in years of such seasons, and how far it then rests below the others, in V. */
  readonly yearsToHalf: number | null;
  readonly halfV: number;
}

/** Shares a run burns on an evening: what it does with the engine off, or its word for it. */
const eveningShare = (run: LightingCircuit): number => run.onEngineOff;

function allOn(job: Job): Pick<Position, "inputs" | "switches"> {
  const inputs = new Set<Input>(["key", "engine", "park", "low", "brake", "left", "hazard"]);
  return {
    inputs,
    switches: new Set<CircuitId>([
      ...job.runs.filter((run) => eveningShare(run) > 0).map((run) => run.id),
      ...job.supplies.map((s) => asId<CircuitId>(s.id)),
    ]),
  };
}

/** Draw in A on each block: the whole pack's evenly, a tap's on those below it. */
function blockAmps(job: Job, circuit: Circuit, pack: PackFacts) {
  const amps = new Array<number>(pack.blocks).fill(0);
  const rest = restVolts(job.vehicle);
  const solved = solveCircuit(circuit, { ...allOn(job), ...rest }, job.practices.ambientC);
  if (solved.kind !== "solved") return null;
  let lampW = 0;
  let packW = 0;
  const drawOn = (blocks: number, a: number): void => {
    for (let i = 0; i < blocks; i += 1) amps[i] = itemAt(amps, i) + a;
    packW += a * packRestV(pack, 1) * (blocks / pack.blocks);
  };
  const through = (element: { readonly id: string; readonly kind: string }): number =>
    solved.result.amps.get(
      asId(element.kind === "converter" ? `${element.id}.input` : element.id),
    ) ?? 0;
  const blocksOf = (share: number): number => Math.round(share * pack.blocks);
  for (const feeder of circuit.feeders) {
    if (feeder.feedRoot.kind !== "pack" || feeder.shared.length > 0) continue;
    const first = elementOf(circuit, itemAt(feeder.path, 0));
    drawOn(blocksOf(feeder.feedRoot.share), through(first));
  }
  for (const run of circuit.runs) {
    const share = job.runs.find((r) => r.id === run.runId);
    for (const branch of run.branches) {
      const at = solved.point.at.get(branch.load);
      if (at && share) lampW += (at.fromV - at.toV) * at.currentA * levelShare(job, share);
    }
    if (run.root.kind !== "pack" || run.feedShared.length > 0 || !run.out[0]) continue;
    drawOn(blocksOf(run.root.share), through(elementOf(circuit, run.out[0])));
  }
  return { amps, lampW, packW };
}

/**
 * An evening of the added lamps on a traction pack: watt-hours, share of its range, and what
 * a tap does to the blocks below it. null without a pack, or where the circuit has no answer.
 */
export function packEvening(job: Job, circuit: Circuit): PackEvening | null {
  const { system } = job.vehicle;
  if (system.kind === "engine") return null;
  const { pack } = system;
  const drawn = blockAmps(job, circuit, pack);
  if (!drawn) return null;
  const { use } = job;
  const capacityAh = pack.capacityAh.value;
  const heldWh = capacityAh * packRestV(pack, 0.5);
  const packWh = drawn.packW * use.eveningH;
  const dayAh = (use.dayKm / Math.max(1, pack.rangeKm.value)) * capacityAh;
  const blockCells = pack.cells / pack.blocks;
  const one = { chemistry: pack.chemistry, cells: blockCells };
  const blocks = drawn.amps.map((amps, i): BlockEvening => {
    const lampAh = amps * use.eveningH;
    const soc = Math.max(0, 1 - (lampAh + dayAh) / capacityAh);
    const yearAh = (lampAh + dayAh) * use.eveningsPerSeason;
    return {
      block: i + 1,
      lampAh,
      restV: packRestV(one, soc),
      years: yearAh > 0 ? lifeAh(pack) / yearAh : Infinity,
    };
  });
  const ahs = blocks.map((b) => b.lampAh);
  const volts = blocks.map((b) => b.restV);
  const apartAh = Math.max(...ahs) - Math.min(...ahs);
  const parkedW = standbyWOf(job, circuit);
  // The charger puts as much into every block: what the tap took more is never put back.
  const eveningsToHalf =
    apartAh > 0.001 ? Math.max(1, Math.floor((0.5 * capacityAh) / apartAh)) : null;
  return {
    hours: use.eveningH,
    lampWh: drawn.lampW * use.eveningH,
    packWh,
    lostShare: drawn.packW > LEAK_W ? Math.max(0, 1 - drawn.lampW / drawn.packW) : 0,
    packShare: packWh / heldWh,
    rangeKm: (packWh / heldWh) * pack.rangeKm.value,
    parkedW,
    parkedAhPerDay: (parkedW / packRestV(pack, 1)) * 24,
    blocks,
    apartAh,
    apartV: Math.max(...volts) - Math.min(...volts),
    eveningsToHalf,
    yearsToHalf:
      eveningsToHalf === null ? null : eveningsToHalf / Math.max(1, use.eveningsPerSeason),
    halfV: packRestV(one, 1) - packRestV(one, 0.5),
  };
}
