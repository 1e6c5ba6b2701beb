import { aimOf, isOnMark } from "../aim/index.ts";
import { budgetOf, type Budget } from "../budget/index.ts";
import { controlPath, endWords, unitAt, type Circuit, type FuseElement } from "../circuit/index.ts";
import {
  conditionText,
  lampWork,
  lampsText,
  standingReadings,
  ownerName,
  type BeamKind,
  type Job,
  type Photo,
  type CircuitId,
  type Signature,
} from "../job/index.ts";
import {
  counted,
  decimal,
  lastsFor,
  lengthText,
  times,
  type UnitSystem,
} from "../quantity/index.ts";
import { vehicleName } from "../vehicle/index.ts";
import { adhesiveOf } from "../fit/index.ts";
import { signedFor, type OpenGate } from "./gates.ts";
import { warrantyLines } from "./warranty.ts";

/** A fuse as an owner is told of it. */
export interface SheetFuse {
  readonly ratingA: number;
  /** A breaker that closes again by itself. */
  readonly resets: boolean;
  readonly protects: string;
  readonly where: string;
}

/** What an owner is given with the vehicle: one or two pages in plain words. */
export interface OwnerSheet {
  readonly title: string;
  readonly customer: string;
  readonly vehicle: string;
  /** Each circuit with what is on it and what turns it on. */
  readonly added: readonly {
    readonly name: string;
    readonly lamps: string;
    readonly when: string;
  }[];
  readonly fuses: readonly SheetFuse[];
  /** How long it may burn with the engine off, what an evening takes. */
  readonly battery: readonly string[];
  /** What the lamps must not do on the road. */
  readonly road: readonly string[];
  readonly check: readonly string[];
  /** What was measured and aimed, and what it went out without. */
  readonly proved: readonly string[];
  readonly without: readonly (Signature & { readonly of: string })[];
  /** Who answers for what, and until when. */
  readonly warranty: readonly string[];
  readonly handedOver: Signature | null;
  /** Pictures of the job as a whole, in their order: those of a step are the shop's. */
  readonly photos: readonly Photo[];
}

/** Pictures that a sheet of two pages has room for. */
const MOST_PHOTOS = 4;

/** Pictures for the owner: of the job as a whole, as many as there is room for. */
export const ownerPhotos = (job: Job): readonly Photo[] =>
  job.photos.filter((photo) => photo.stepId === "").slice(0, MOST_PHOTOS);

const addedOf = (job: Job): OwnerSheet["added"] =>
  job.runs.map(({ id, name, condition }) => ({
    ...{ name, lamps: lampsText(job, id, false), when: conditionText(condition) },
  }));

const fuseElements = (circuit: Circuit): FuseElement[] =>
  [...circuit.elements.values()].filter((e) => e.kind === "fuse");

function fusesOf(job: Job, circuit: Circuit, units: UnitSystem): SheetFuse[] {
  const wires = [...circuit.elements.values()].filter((e) => e.kind === "wire");
  // A fuse that only feeds a coil or a signal is told apart from the one before the lamps.
  const turning = new Set(circuit.runs.flatMap(controlPath));
  return fuseElements(circuit).map((fuse) => {
    const before = wires.find((w) => w.to === fuse.from);
    const from = before ? endWords(circuit, before.from) : endWords(circuit, fuse.from);
    const apart = before ? `${lengthText(before.lengthM.value, units)} from ` : "at ";
    const unit = unitAt(circuit, fuse.from);
    return {
      ratingA: fuse.ratingA,
      resets: fuse.resets,
      protects: `${unit && unit.ownerId !== "" ? ownerName(job, unit.ownerId) : (unit?.name ?? "")}${turning.has(fuse.id) ? ", what turns it on" : ""}`,
      where: fuse.builtIn ? `in ${unit?.name ?? "its box"}` : `${apart}${from}`,
    };
  });
}

/** Longer than this nobody stands with lamps burning, min. */
const TWO_DAYS_MIN = 48 * 60;

function batteryOf(budget: Budget): string[] {
  const { engineOff, evening, own } = budget;
  const lasting = engineOff?.agedMinutes ?? engineOff?.minutes ?? null;
  // Towards its short end: what is promised here is leaned on far from home.
  const until = lasting && lastsFor(times({ ...lasting, high: lasting.mid }, 1 / 60));
  return [
    ...(lasting && until && lasting.low < TWO_DAYS_MIN
      ? [
          `Engine off and everything burning as it is used, the battery can still start the engine for ${until.value} ${until.unit}. Then run the engine, or switch the lamps off.`,
        ]
      : []),
    ...(evening && evening.packShare > 0
      ? [
          `An evening of ${decimal(evening.hours)} h takes ${decimal(100 * evening.packShare)} % of the pack: about ${decimal(evening.rangeKm)} km of range.`,
        ]
      : []),
    ...own.flatMap((battery) => {
      if (!battery.usedH) return [];
      const lasts = lastsFor(battery.usedH);
      return [`${battery.name} lasts ${lasts.value} ${lasts.unit}; charge it after each evening.`];
    }),
  ];
}

/** What lamps of a kind of beam are not for. Common practice; local law has the last word. */
const BEAM_ROAD: Readonly<Record<BeamKind, string>> = {
  low: "Dipped lamps stay aimed as they are: with a load or a passenger they may blind.",
  driving: "Driving lamps go off whenever somebody comes towards you or rides ahead of you.",
  fog: "Fog lamps are for fog, heavy rain and snow, and go off when it clears.",
  work: "Work lamps stay off on a public road.",
};

function roadOf(job: Job): string[] {
  const beams = new Set(job.mounts.map((mount) => aimOf(job, mount).beam));
  // Lamps in front that nobody has placed yet dazzle as well.
  const low = (id: CircuitId): boolean =>
    job.runs.some((r) => r.id === id && r.condition.anyOf.flat().some((t) => t.input === "low"));
  if (job.lamps.some((l) => lampWork(job, l) === "headlight" && !low(l.runId))) {
    beams.add("driving");
  }
  const flashing = job.runs.some((r) => r.program !== null);
  return [
    ...(Object.keys(BEAM_ROAD) as BeamKind[]).filter((b) => beams.has(b)).map((b) => BEAM_ROAD[b]),
    ...(flashing ? ["Lamps that flash may not be allowed on a public road where you ride."] : []),
    "Local law decides what may burn on the road; ask your inspector where you are not sure.",
  ];
}

function checkOf(job: Job, circuit: Circuit): string[] {
  const blowing = fuseElements(circuit).filter((fuse) => !fuse.resets);
  const ratings = [...new Set(blowing.map((fuse) => fuse.ratingA))].sort((x, y) => x - y);
  const glued = job.bonds.map((b) => `${b.what} (${adhesiveOf(b.adhesive).name})`);
  return [
    "After 100 km: brackets and nuts of the lamps, tight; wires, nowhere rubbing or hot.",
    ...(glued.length > 0 ? [`After 100 km: still firm: ${glued.join(", ")}.`] : []),
    ...(job.mounts.length > 0 ? ["After a fall, or with other springs or load: aim again."] : []),
    ...(ratings.length > 0
      ? [
          `Carry spare fuses: ${ratings.map((a) => `${decimal(a)} A`).join(", ")}. Never a larger one.`,
        ]
      : []),
    "A fuse that blows twice has a reason: bring it in.",
  ];
}

function provedOf(job: Job): string[] {
  const readings = standingReadings(job).size;
  const aimed = job.aims.filter((aim) => {
    const last = aim.errors.at(-1);
    return last !== undefined && isOnMark(last);
  }).length;
  return [
    ...(readings > 0 ? [`${counted(readings, "reading")} taken on the vehicle`] : []),
    ...(aimed > 0 ? [`${counted(aimed, "lamp")} aimed at the wall`] : []),
  ];
}

/** The owner's sheet of a job, from its circuit, what was proved, and what it goes without. */
export function ownerSheet(
  job: Job,
  { circuit, gates }: { readonly circuit: Circuit; readonly gates: readonly OpenGate[] },
  units: UnitSystem,
): OwnerSheet {
  return {
    title: job.card.title,
    customer: job.card.customer,
    vehicle: vehicleName(job.vehicle),
    added: addedOf(job),
    fuses: fusesOf(job, circuit, units),
    battery: batteryOf(budgetOf(job, circuit)),
    road: roadOf(job),
    check: checkOf(job, circuit),
    proved: provedOf(job),
    // What was mended after it was signed for is not missing any more.
    without: gates.flatMap((gate) => (gate.signed ? [{ ...gate.signed, of: gate.text }] : [])),
    warranty: warrantyLines(job),
    handedOver: signedFor(job, ""),
    photos: ownerPhotos(job),
  };
}
