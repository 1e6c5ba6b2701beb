import type { CollectionName } from "../entities.ts";
import type { Edit } from "./edit.ts";
import { setIn } from "./makers.ts";
import type { HoleId, PlaceId, StepId, TemplateId } from "../ids.ts";
import type { Job } from "../job.ts";

const remove = (entity: CollectionName, id: string): Edit => ({ kind: "remove", entity, id });

/** Removes a place with the stretches that end there; what sat there goes to the usual place. */
export function removePlace(job: Job, placeId: PlaceId): Edit[] {
  const { vehicle } = job;
  const freed = <E extends "lamp" | "supply" | "control" | "connector" | "baseLoad">(
    entity: E,
    list: readonly { readonly id: string; readonly at: PlaceId | "" }[],
  ): Edit[] =>
    list
      .filter((entry) => entry.at === placeId)
      .map((entry): Edit => ({ kind: "set", entity, id: entry.id, field: "at", value: "" }));
  return [
    ...vehicle.segments
      .filter((s) => s.fromId === placeId || s.toId === placeId)
      .map((s) => remove("segment", s.id)),
    ...freed("lamp", job.lamps),
    ...freed("supply", job.supplies),
    ...freed("control", job.controls),
    ...freed("connector", vehicle.connectors),
    ...freed("baseLoad", vehicle.baseLoads),
    ...job.strip
      .filter((step) => step.covers.includes(placeId))
      .map((step) =>
        setIn(
          "stripStep",
          step.id,
          "covers",
          step.covers.filter((id) => id !== placeId),
        ),
      ),
    ...job.runs.flatMap((run) =>
      (["relayAt", "switchAt", "spliceAt"] as const)
        .filter((field) => run[field] === placeId)
        .map((field) => setIn("run", run.id, field, "")),
    ),
    remove("place", placeId),
  ];
}

/** Removes a step of the ledger with its fasteners and plugs; others no longer wait for it. */
export function removeStep(job: Job, stepId: StepId): Edit[] {
  return [
    ...job.strip
      .filter((s) => s.after.includes(stepId))
      .map((s) =>
        setIn(
          "stripStep",
          s.id,
          "after",
          s.after.filter((id) => id !== stepId),
        ),
      ),
    ...job.fasteners.filter((f) => f.stepId === stepId).map((f) => remove("fastener", f.id)),
    ...job.plugs.filter((p) => p.stepId === stepId).map((p) => remove("plug", p.id)),
    ...job.photos.filter((p) => p.stepId === stepId).map((p) => setIn("photo", p.id, "stepId", "")),
    remove("stripStep", stepId),
  ];
}

/** Holes that are mirrors of one, and mirrors of those. */
function mirrorsOf(job: Job, holeId: HoleId): HoleId[] {
  const direct = job.holes
    .filter((h) => h.by.kind === "mirror" && h.by.holeId === holeId)
    .map((h) => h.id);
  return direct.flatMap((id) => [...mirrorsOf(job, id), id]);
}

/** Removes a hole, and its mirrors before it. */
export const removeHole = (job: Job, holeId: HoleId): Edit[] =>
  [...mirrorsOf(job, holeId), holeId].map((id) => remove("hole", id));

/** Removes a landmark with the holes that were measured from it. */
export function removeLandmark(job: Job, landmarkId: string): Edit[] {
  const leaning = job.holes.filter(
    ({ by }) =>
      (by.kind === "from" && by.landmarkId === landmarkId) ||
      (by.kind === "between" && (by.fromId === landmarkId || by.toId === landmarkId)),
  );
  const gone = new Set(leaning.flatMap((h) => [...mirrorsOf(job, h.id), h.id]));
  return [...[...gone].map((id) => remove("hole", id)), remove("landmark", landmarkId)];
}

/** Removes a template with its landmarks and holes. */
export const removeTemplate = (job: Job, templateId: TemplateId): Edit[] => [
  ...job.holes.filter((h) => h.templateId === templateId).map((h) => remove("hole", h.id)),
  ...job.landmarks.filter((l) => l.templateId === templateId).map((l) => remove("landmark", l.id)),
  remove("template", templateId),
];
