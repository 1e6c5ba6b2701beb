import { decimal, isBoundedValue } from "../../quantity/index.ts";
import { COLLECTIONS, type CollectionName } from "../entities.ts";
import type { Edit } from "./edit.ts";
import type { Job } from "../job.ts";
import { OWN_LISTS, type OwnListName } from "../lists.ts";
import type { Reading } from "../record/reading.ts";
import { conditionText, type Condition } from "../condition.ts";
import { fastenerText } from "../word/fastenerText.ts";
import { readStepId, type ReadingKind } from "../record/stepId.ts";

/** What is not called by its own name: things that exist once, and the vehicle's lists. */
const OTHER_WORDS: Readonly<Record<string, string>> = {
  card: "job card",
  practices: "practice",
  turn: "turn signals",
  reaches: "cable distance",
  beam: "beam of the vehicle's own lamp",
  baseLoad: "load already there",
  pin: "wire",
  segment: "stretch",
};

const entityWords = (name: string): string =>
  Object.hasOwn(OWN_LISTS, name)
    ? OWN_LISTS[name as OwnListName].words
    : (OTHER_WORDS[name] ?? fieldWords(name));

/** "fuseSchool" → "fuse school"; a trailing unit letter goes. */
export function fieldWords(field: string): string {
  return field
    .replace(/(?<=[a-z])(A|V|M|W|Ah|Ohm)$/, "")
    .replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);
}

const isCondition = (value: unknown): value is Condition =>
  typeof value === "object" && value !== null && "anyOf" in value;

/** A value of an edit in a few words. */
export function valueText(value: unknown): string {
  if (value === null || value === "") return "nothing";
  if (isBoundedValue(value)) return `${decimal(value.value, 3)} (${value.provenance})`;
  if (isCondition(value)) return conditionText(value);
  if (typeof value === "number") return decimal(value, 3);
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (Array.isArray(value)) return listText(value);
  if (typeof value === "object") {
    return Object.values(value)
      .filter((v) => typeof v !== "object")
      .join(" ");
  }
  return String(value);
}

/** Entries of a list that are told one by one; of a longer one how many it has. */
const TOLD = 4;

const listText = (list: readonly unknown[]): string =>
  list.length === 0
    ? "nothing"
    : list.length > TOLD
      ? `${list.length} entries`
      : list.map(valueText).join(", ");

/** A lamp in place, and how it is aimed, by the lamp: their own ids tell nobody anything. */
function lampOf(job: Job, entity: "mount" | "aim", id: string): string | undefined {
  const mountId = entity === "mount" ? id : job.aims.find((a) => a.id === id)?.mountId;
  const lampId = job.mounts.find((m) => m.id === mountId)?.lampId;
  return job.lamps.find((l) => l.id === lampId)?.label;
}

/** A stretch by the places that it lies between. */
function stretchOf(job: Job, id: string): string | undefined {
  const { places, segments } = job.vehicle;
  const stretch = segments.find((s) => s.id === id);
  const [from, to] = [stretch?.fromId, stretch?.toId].map(
    (at) => places.find((p) => p.id === at)?.name,
  );
  return from === undefined || to === undefined ? undefined : `${from} – ${to}`;
}

/**
 * What an entry is called; null where it has no name but its id, which tells nobody anything. One that is
 * no longer there is told by its id: nothing else is known of it.
 */
function nameOf(job: Job, entity: CollectionName, id: string): string | null {
  if (entity === "mount" || entity === "aim") return lampOf(job, entity, id) ?? id;
  if (entity === "segment") return stretchOf(job, id) ?? id;
  if (entity === "fastener") {
    const fastener = job.fasteners.find((f) => f.id === id);
    return fastener ? `${fastener.count} of ${fastenerText(fastener)}` : id;
  }
  const list = COLLECTIONS[entity].get(job) as readonly Record<string, unknown>[] | null;
  const entry = list?.find((e) => e.id === id);
  if (!entry) return id;
  if (entity === "chargingPoint") return `${String(entry.rpm)} rpm`;
  const name =
    entry.name ?? entry.label ?? entry.text ?? entry.carries ?? entry.what ?? entry.caption;
  return typeof name === "string" ? name : null;
}

/** An entry in words: "lamp “left pod”", or "deviation" where it has no name. */
function entryText(job: Job, entity: CollectionName, id: string): string {
  const name = nameOf(job, entity, id);
  return name === null ? entityWords(entity) : `${entityWords(entity)} “${name}”`;
}

const UNITS: Readonly<Partial<Record<ReadingKind, string>>> = {
  ...{ volts: " V", amps: " A", milliamps: " mA", ohms: " Ω" },
};

/** A reading by what it says: its id tells nobody anything. */
function readingText({ step, value, note }: Reading, job: Job): string {
  const { kind, on, allOff } = readStepId(step);
  const names = on.map((id) => nameOf(job, "run", id) ?? id);
  const position = allOff ? "all off" : `${names.join(" + ")} on`;
  if (value === null) return `step of the test left out (${position}): ${note}`;
  const said = kind === "look" ? `by eye or ear ${decimal(100 * value, 0)} %` : decimal(value, 2);
  return `reading ${said}${(kind && UNITS[kind]) ?? ""} (${position})`;
}

/** One line for the history of a job. `job` is the state before or after; names come from it. */
export function describeEdit(edit: Edit, job: Job): string {
  switch (edit.kind) {
    case "setOnce":
      return `${entityWords(edit.entity)}: ${fieldWords(edit.field)} → ${valueText(edit.value)}`;
    case "set":
      if (edit.entity === "aim" && edit.field === "errors") {
        const last = edit.value.at(-1);
        const stood = last
          ? `stood ${Math.abs(last.upMm)} mm ${last.upMm < 0 ? "low" : "high"} on the wall`
          : "not measured";
        return `${entryText(job, "aim", edit.id)}: ${stood}`;
      }
      return `${entryText(job, edit.entity, edit.id)}: ${fieldWords(edit.field)} → ${valueText(edit.value)}`;
    case "add":
      if (edit.entity === "mend") return `mended: ${edit.value.what}; ${edit.value.done}`;
      return edit.entity === "reading"
        ? readingText(edit.value, job)
        : `${entryText(job, edit.entity, edit.value.id)} added`;
    case "remove":
      return `${entryText(job, edit.entity, edit.id)} removed`;
    case "replaceSystem":
      return `electrical system → ${edit.value.kind === "engine" ? "engine and battery" : "pack"}`;
  }
}
