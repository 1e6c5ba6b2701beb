import type { ElectricalSystem } from "../../vehicle/index.ts";
import {
  COLLECTIONS,
  SINGLETONS,
  isCollection,
  isSingleton,
  type CollectionName,
  type Collections,
  type SingletonName,
  type Singletons,
} from "../entities.ts";
import type { Job } from "../job.ts";

/** Set one field of something that exists once. */
export type SetOnceEdit = {
  [E in SingletonName]: {
    [F in keyof Singletons[E]]-?: {
      readonly kind: "setOnce";
      readonly entity: E;
      readonly field: F;
      readonly value: Singletons[E][F];
    };
  }[keyof Singletons[E]];
}[SingletonName];

/** Set one field of one entry of a list. */
export type SetEdit = {
  [E in CollectionName]: {
    [F in keyof Collections[E]]-?: {
      readonly kind: "set";
      readonly entity: E;
      readonly id: string;
      readonly field: F;
      readonly value: Collections[E][F];
    };
  }[keyof Collections[E]];
}[CollectionName];

/** Puts a new entry into a list, at a place or at its end. */
export type AddEdit = {
  [E in CollectionName]: {
    readonly kind: "add";
    readonly entity: E;
    readonly value: Collections[E];
    /** Index at which it is put; the end when it lies beyond. */
    readonly at: number;
  };
}[CollectionName];

/** Takes an entry out of its list. */
export interface RemoveEdit {
  readonly kind: "remove";
  readonly entity: CollectionName;
  readonly id: string;
}

/** Makes another electrical system of the vehicle's, whole. */
export interface ReplaceSystemEdit {
  readonly kind: "replaceSystem";
  readonly value: ElectricalSystem;
}

/** A small, serialisable change of a job. History, undo, merging and tests all use it. */
export type Edit = SetOnceEdit | SetEdit | AddEdit | RemoveEdit | ReplaceSystemEdit;

/** Why an edit cannot be, and where. */
export interface EditRefusal {
  readonly ok: false;
  readonly path: string;
  readonly message: string;
}
/** A job after one edit with what undoes it, or why it cannot be. */
export type EditResult =
  | { readonly ok: true; readonly job: Job; readonly inverse: Edit }
  | EditRefusal;

const refuse = (path: string, message: string): EditRefusal => ({ ok: false, path, message });

type Fields = Record<string, unknown>;
interface Entry {
  readonly id: string;
}

/**
 * The list lens of an entity, seen as a list of entries with ids. The per-entity type is
 * lost here and only here: the edit's own type has tied entity, field and value together.
 */
function listLens(entity: CollectionName) {
  return COLLECTIONS[entity] as unknown as {
    get(job: Job): readonly Entry[] | null;
    put(job: Job, list: readonly Entry[]): Job;
  };
}

function onceLens(entity: SingletonName) {
  return SINGLETONS[entity] as unknown as {
    get(job: Job): Fields | null;
    put(job: Job, value: Fields): Job;
  };
}

/** Fields that identify an entry are never set: other entries point at them. */
const FIXED_FIELDS: ReadonlySet<string> = new Set(["id", "points", "system"]);

function setOnce(job: Job, edit: SetOnceEdit): EditResult {
  const lens = onceLens(edit.entity);
  const target = lens.get(job);
  if (!target) return refuse(edit.entity, `this vehicle has no ${edit.entity}`);
  if (!Object.hasOwn(target, edit.field) || FIXED_FIELDS.has(edit.field)) {
    return refuse(`${edit.entity}.${edit.field}`, `no such field: "${edit.field}"`);
  }
  const inverse = { ...edit, value: target[edit.field] } as Edit;
  return {
    ok: true,
    job: lens.put(job, { ...target, [edit.field]: edit.value }),
    inverse,
  };
}

function setEntry(job: Job, edit: SetEdit): EditResult {
  const lens = listLens(edit.entity);
  const list = lens.get(job);
  const at = list?.findIndex((entry) => entry.id === edit.id) ?? -1;
  const entry = list?.[at] as (Entry & Fields) | undefined;
  if (!list || !entry) return refuse(edit.entity, `no ${edit.entity} with id "${edit.id}"`);
  if (!Object.hasOwn(entry, edit.field) || FIXED_FIELDS.has(edit.field)) {
    return refuse(`${edit.entity}.${edit.id}.${edit.field}`, `no such field: "${edit.field}"`);
  }
  const inverse = { ...edit, value: entry[edit.field] } as Edit;
  return {
    ok: true,
    job: lens.put(job, list.with(at, { ...entry, [edit.field]: edit.value })),
    inverse,
  };
}

function addEntry(job: Job, edit: AddEdit): EditResult {
  const lens = listLens(edit.entity);
  const list = lens.get(job);
  if (!list) return refuse(edit.entity, `this vehicle has no ${edit.entity} list`);
  const { id } = edit.value;
  if (list.some((entry) => entry.id === id)) {
    return refuse(`${edit.entity}.${id}`, `there is a ${edit.entity} with id "${id}" already`);
  }
  return {
    ok: true,
    job: lens.put(job, list.toSpliced(Math.max(0, edit.at), 0, edit.value)),
    inverse: { kind: "remove", entity: edit.entity, id },
  };
}

function removeEntry(job: Job, edit: RemoveEdit): EditResult {
  const lens = listLens(edit.entity);
  const list = lens.get(job);
  const at = list?.findIndex((entry) => entry.id === edit.id) ?? -1;
  const entry = list?.[at];
  if (!list || !entry) return refuse(edit.entity, `no ${edit.entity} with id "${edit.id}"`);
  return {
    ok: true,
    job: lens.put(job, list.toSpliced(at, 1)),
    inverse: { kind: "add", entity: edit.entity, value: entry, at } as unknown as AddEdit,
  };
}

/** Applies one edit; the result carries the edit that takes it back. Never throws on bad edits. */
export function applyEdit(job: Job, edit: Edit): EditResult {
  switch (edit.kind) {
    case "setOnce":
      if (!isSingleton(edit.entity)) return refuse("edit.entity", `no such entity`);
      return setOnce(job, edit);
    case "set":
      if (!isCollection(edit.entity)) return refuse("edit.entity", `no such entity`);
      return setEntry(job, edit);
    case "add":
      if (!isCollection(edit.entity)) return refuse("edit.entity", `no such entity`);
      return addEntry(job, edit);
    case "remove":
      if (!isCollection(edit.entity)) return refuse("edit.entity", `no such entity`);
      return removeEntry(job, edit);
    case "replaceSystem":
      return {
        ok: true,
        job: { ...job, vehicle: { ...job.vehicle, system: edit.value } },
        inverse: { kind: "replaceSystem", value: job.vehicle.system },
      };
    default:
      return refuse("edit.kind", `no such kind of edit: "${(edit as { kind: string }).kind}"`);
  }
}

/** A job after several edits with what undoes them, or the first that cannot be. */
export type BatchResult =
  | { readonly ok: true; readonly job: Job; readonly inverse: readonly Edit[] }
  | EditRefusal;

/** Applies edits in order, all or none. The inverse is in the order that takes them back. */
export function applyEdits(job: Job, edits: readonly Edit[]): BatchResult {
  let current = job;
  const inverse: Edit[] = [];
  for (const edit of edits) {
    const result = applyEdit(current, edit);
    if (!result.ok) return result;
    current = result.job;
    inverse.unshift(result.inverse);
  }
  return { ok: true, job: current, inverse };
}
