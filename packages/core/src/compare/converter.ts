import {
  adoptPart,
  append,
  applyEdits,
  createSupply,
  nextId,
  setCircuit,
  type Edit,
  type Job,
  type LightingCircuit,
  type SupplyId,
} from "../job/index.ts";
import type { Part } from "../part/index.ts";
import { packRangeV, packRestV } from "../source/index.ts";
import { drawOf, loadsOf } from "../synthesis/index.ts";

/** Feeds a run from a supply with this part: one that is there, or a new one. */
export function fromSupply(
  job: Job,
  run: LightingCircuit,
  part: Part,
  gate: "switch" | "always",
): Edit[] {
  const there = job.supplies.find((s) => s.partId === part.id);
  const id =
    there?.id ??
    nextId<SupplyId>(
      "supply",
      job.supplies.map((s) => s.id),
    );
  const make = there
    ? []
    : [
        ...adoptPart(job, part),
        append(job, "supply", { ...createSupply(id, part.name, part.id, job.vehicle), gate }),
      ];
  return [
    ...make,
    setCircuit(run.id, "feed", { kind: "supply", supplyId: id }),
    setCircuit(run.id, "arrangement", "parallel"),
  ];
}

/** Cheapest converter that bears the pack and gives the draw with a fifth to spare. */
export function bestConverter(job: Job, drawA: number, shelf: readonly Part[]): Part | null {
  const { system } = job.vehicle;
  if (system.kind === "engine") return null;
  const { highV } = packRangeV(system.pack);
  const fits = shelf
    .filter((p) => p.kind === "converter")
    .filter(
      (p) => p.inMaxV >= highV && p.outA * 0.8 >= drawA && p.inMinV <= packRestV(system.pack, 0.2),
    )
    .sort((a, b) => a.price - b.price);
  return fits[0] ?? null;
}

/**
 * The edits that feed several runs from one converter of the shelf that gives enough for all of
 * them; null where none does, or where the vehicle has no pack.
 */
export function converterEdits(
  job: Job,
  runs: readonly LightingCircuit[],
  shelf: readonly Part[],
): Edit[] | null {
  const draws = runs.map((run) =>
    drawOf({ ...run, arrangement: "parallel" }, loadsOf(job, run), 12),
  );
  const drawA = draws.reduce((sum, draw) => sum + draw.mid, 0);
  const converter = bestConverter(job, drawA, shelf);
  if (!converter) return null;
  const edits: Edit[] = [];
  let then = job;
  for (const run of runs) {
    const more = fromSupply(then, run, converter, "switch");
    const made = applyEdits(then, more);
    if (!made.ok) return null;
    edits.push(...more);
    then = made.job;
  }
  return edits;
}
