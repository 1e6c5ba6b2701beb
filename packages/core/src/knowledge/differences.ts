import { itemAt } from "../present/index.ts";
import {
  COLLECTIONS,
  SINGLETONS,
  applyEdits,
  createJob,
  describeEdit,
  fieldWords,
  valueText,
  type CollectionName,
  type Edit,
  type Job,
  editFrom,
} from "../job/index.ts";
import type { Vehicle } from "../vehicle/index.ts";
import { folded, keyedApart } from "./vehicleFacts.ts";

/** One thing that two profiles of a model say otherwise. */
export interface ModelDifference {
  /** The same for as long as both profiles stay as they are. */
  readonly id: string;
  readonly words: string;
  /** What each says; "" where it says nothing. */
  readonly mine: string;
  readonly theirs: string;
  /** What makes mine say what theirs does. */
  readonly edits: readonly Edit[];
}

type Entry = Readonly<Record<string, unknown>> & { readonly id: string };

/** What exists once in a profile; what names a machine or a model stays one's own. */
const ONCE = ["battery", "charging", "pack", "turn", "factoryLamps", "reaches", "size"] as const;
const OF_VEHICLE = ["kind", "note"];
const NO_FACT: ReadonlySet<string> = new Set(["points"]);

/** Lists of a vehicle, each after those that its entries point at. */
const LISTS = [
  ...([
    "variant",
    "place",
    "chargingPoint",
    "baseLoad",
    "connector",
    "pin",
    "segment",
    "beam",
  ] as const),
] satisfies readonly CollectionName[];
type ListName = (typeof LISTS)[number];

/** Fields that hold the id of an entry of another list. */
const POINTS_AT: Readonly<Record<string, ListName>> = {
  ...{ connectorId: "connector", at: "place", fromId: "place", toId: "place" },
};
const pointsAt = (list: ListName, field: string): ListName | undefined =>
  list === "pin" && field === "variant" ? "variant" : POINTS_AT[field];

const asJob = (vehicle: Vehicle): Job => createJob("", "", vehicle);

const listOf = (job: Job, name: ListName): readonly Entry[] =>
  (COLLECTIONS[name].get(job) ?? []) as unknown as readonly Entry[];

const textOf = (entry: Entry, field: string): string => {
  const value = entry[field];
  return typeof value === "string" || typeof value === "number" ? folded(String(value)) : "";
};

/** By what an entry of one shop is known again in another's. */
function keyOf(job: Job, name: ListName, entry: Entry): string {
  const named = (list: ListName, id: string): string => {
    const found = listOf(job, list).find((e) => e.id === id);
    return found ? textOf(found, "name") : "";
  };
  switch (name) {
    case "pin":
      return `${named("connector", textOfId(entry, "connectorId"))} / ${textOf(entry, "cavity")}`;
    case "segment":
      return ["fromId", "toId"]
        .map((end) => named("place", textOfId(entry, end)))
        .sort()
        .join(" to ");
    case "chargingPoint":
      return textOf(entry, "rpm");
    default:
      return textOf(entry, "name");
  }
}

const textOfId = (entry: Entry, field: string): string => {
  const value = entry[field];
  return typeof value === "string" ? value : "";
};

/** What matters of an entry, for people, in the order they say it. */
const TOLD: Readonly<Record<ListName, readonly string[]>> = {
  ...{ variant: ["name"], place: ["name", "role"], chargingPoint: ["outputA"] },
  ...{ baseLoad: ["currentA"], connector: ["name", "where"], segment: ["lengthM", "note"] },
  pin: ["colour", "carries", "liveWhen", "mayGiveA", "certainty"],
  beam: ["beam", "heightM", "tiltDeg"],
};

/** What changed of an entry: a field by itself needs no name. */
function told(entry: Entry, fields: readonly string[]): string {
  const shown = fields.filter((field) => field !== "foundBy" && field !== "photometry");
  return shown
    .map((field) => {
      const text = valueText(entry[field]);
      return shown.length === 1 ? text : `${fieldWords(field)} ${text}`;
    })
    .join(", ");
}

/** An entry that one's own profile does not have. */
const toldNew = (name: ListName, entry: Entry): string =>
  TOLD[name]
    .map((field) => valueText(entry[field]))
    .filter((text) => text !== "" && text !== "nothing")
    .join(", ");

const same = (a: unknown, b: unknown): boolean =>
  JSON.stringify(sorted(a)) === JSON.stringify(sorted(b));

/** Names are known again however they are written. */
const saysSame = (field: string, a: unknown, b: unknown): boolean =>
  field === "name" && typeof a === "string" && typeof b === "string"
    ? folded(a) === folded(b)
    : same(a, b);

/** The same value with the fields of everything in it in one order. */
function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([field, of]) => [field, sorted(of)]),
  );
}

function onceDifferences(mine: Job, theirs: Job): ModelDifference[] {
  return (["vehicle", ...ONCE] as const).flatMap((entity) => {
    const own = SINGLETONS[entity].get(mine) as Readonly<Record<string, unknown>> | null;
    const other = SINGLETONS[entity].get(theirs) as Readonly<Record<string, unknown>> | null;
    if (!own || !other) return [];
    const fields = entity === "vehicle" ? OF_VEHICLE : Object.keys(own);
    return fields.flatMap((field): ModelDifference[] => {
      if (NO_FACT.has(field) || same(own[field], other[field])) return [];
      const edit = editFrom({ kind: "setOnce", entity, field, value: other[field] });
      return [
        {
          id: `${entity}.${field}`,
          words: itemAt(describeEdit(edit, mine).split(" → "), 0),
          ...{ mine: valueText(own[field]), theirs: valueText(other[field]), edits: [edit] },
        },
      ];
    });
  });
}

const WORDS: Readonly<Record<ListName, string>> = {
  ...{ variant: "variant", place: "place of the route map", chargingPoint: "charging output, rpm" },
  ...{
    baseLoad: "load already there",
    connector: "plug",
    pin: "wire",
    segment: "way",
    beam: "beam",
  },
};

function listDifferences(
  mine: Job,
  theirs: Job,
  name: ListName,
  ids: Map<string, string>,
): ModelDifference[] {
  const keyed = (job: Job) =>
    keyedApart(listOf(job, name).map((entry) => ({ entry, key: keyOf(job, name, entry) })));
  const own = new Map(keyed(mine).map(({ key, entry }) => [key, entry]));
  const taken = new Set(listOf(mine, name).map((e) => e.id));
  return keyed(theirs).flatMap(({ key, entry: other }): ModelDifference[] => {
    const mineIs = own.get(key);
    let id = mineIs?.id ?? other.id;
    for (let n = 2; !mineIs && taken.has(id); n++) id = `${other.id.slice(0, 60)}-${n}`;
    taken.add(id);
    ids.set(`${name}\n${other.id}`, id);
    const fields = Object.keys(other).filter((field) => field !== "id");
    // What it points at is by now one of mine.
    const value = Object.fromEntries(
      Object.entries(other).map(([field, of]) => {
        const list = pointsAt(name, field);
        return [field, list && of !== "" ? (ids.get(`${list}\n${String(of)}`) ?? "") : of];
      }),
    ) as unknown as Entry;
    const called = typeof other.name === "string" ? other.name.trim() : key;
    const shown = { id: `${name} ${key}`, words: `${WORDS[name]}: ${called}` };
    if (!mineIs) {
      const added = { ...value, id };
      const edit = editFrom({
        kind: "add",
        entity: name,
        value: added,
        at: Number.MAX_SAFE_INTEGER,
      });
      return [{ ...shown, mine: "", theirs: toldNew(name, other), edits: [edit] }];
    }
    const changed = fields.filter((field) => !saysSame(field, mineIs[field], value[field]));
    // Who found it out is told with what was found, and is no news by itself.
    if (changed.every((field) => field === "foundBy")) return [];
    const edits = changed.map((field) =>
      editFrom({ kind: "set", entity: name, id, field, value: value[field] }),
    );
    return [{ ...shown, mine: told(mineIs, changed), theirs: told(value, changed), edits }];
  });
}

/**
 * What another shop's profile of a model says otherwise than one's own: what is chosen of it is taken over by
 * edits, everything else stays. Entries are known again by their names, wires by plug and cavity; what only
 * one's own has is no difference, for nothing is ever taken away.
 */
export function differencesOf(mine: Vehicle, theirs: Vehicle): ModelDifference[] {
  const own = asJob(mine);
  const other = asJob(theirs);
  const system: ModelDifference[] =
    mine.system.kind === theirs.system.kind
      ? []
      : [
          {
            ...{ id: "system", words: "electrical system" },
            ...{ mine: mine.system.kind, theirs: theirs.system.kind },
            edits: [{ kind: "replaceSystem", value: theirs.system }],
          },
        ];
  const ids = new Map<string, string>();
  return [
    ...system,
    ...onceDifferences(own, other),
    ...LISTS.filter((name) => name !== "chargingPoint" || system.length === 0).flatMap((name) =>
      listDifferences(own, other, name, ids),
    ),
  ];
}

/** A plug that a taken wire hangs on comes with it, asked for or not; so does a place, a variant. */
function withNeeded(
  all: readonly ModelDifference[],
  chosen: ReadonlySet<string>,
): ModelDifference[] {
  const adds = new Map(
    all.flatMap((difference) =>
      difference.edits.flatMap((edit) =>
        edit.kind === "add" ? [[`${edit.entity}\n${edit.value.id}`, difference] as const] : [],
      ),
    ),
  );
  const taken = new Set<ModelDifference>();
  const take = (one: ModelDifference): void => {
    if (taken.has(one)) return;
    taken.add(one);
    for (const edit of one.edits) {
      const said: readonly (readonly [string, unknown])[] =
        edit.kind === "add"
          ? Object.entries(edit.value)
          : edit.kind === "set"
            ? [[edit.field, edit.value]]
            : [];
      for (const [field, value] of said) {
        if (!("entity" in edit)) continue;
        const list = pointsAt(edit.entity as ListName, field);
        const needed =
          list && typeof value === "string" ? adds.get(`${list}\n${value}`) : undefined;
        if (needed) take(needed);
      }
    }
  };
  for (const one of all) if (chosen.has(one.id)) take(one);
  return all.filter((one) => taken.has(one));
}

/** One's own profile with the chosen differences taken over; null where they do not fit together. */
export function takeDifferences(
  mine: Vehicle,
  theirs: Vehicle,
  chosen: readonly string[],
): Vehicle | null {
  const edits = withNeeded(differencesOf(mine, theirs), new Set(chosen)).flatMap((d) => d.edits);
  const made = applyEdits(asJob(mine), edits);
  return made.ok ? made.job.vehicle : null;
}
