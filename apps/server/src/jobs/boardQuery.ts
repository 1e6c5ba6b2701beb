import { BLOCKER_KINDS, STAGES, type Stage } from "@dragonet/core";
import { notValid } from "../http/refusal.ts";

/** What of the board is looked at, as it came in an address. */
export interface BoardQuery {
  readonly words: string;
  /** Kind of thing that is waited for; "nothing" where nothing is, "" for any job. */
  readonly waits: string;
  readonly bench: string;
  readonly stage: Stage | null;
  readonly model: string;
  /** Only what was promised for before this day (ISO 8601); "" for any. */
  readonly before: string;
}

/** Where a list goes on. */
export interface Place {
  readonly stageRank: number;
  readonly boardOrder: string;
  readonly id: string;
}

type Asked = Readonly<Record<string, unknown>>;

const LONGEST = 200;
/** Jobs told at once, where nothing else is asked for, and at most. */
const USUAL_SIZE = 100;
const MOST_SIZE = 1000;

const WAITS: readonly string[] = [...BLOCKER_KINDS, "stop", "nothing"];

function text(asked: Asked, name: string): string {
  const value = asked[name] ?? "";
  if (typeof value !== "string" || value.length > LONGEST) {
    throw notValid(`${name}: one text of at most ${LONGEST} letters`);
  }
  return value;
}

/** What is asked for in an address; what cannot be meant is refused by its name. */
export function readBoardQuery(asked: Asked): BoardQuery {
  const waits = text(asked, "waits");
  if (waits !== "" && !WAITS.includes(waits)) {
    throw notValid(`waits: "${waits}" is none of ${WAITS.join(", ")}`);
  }
  const said = text(asked, "stage");
  const stage = STAGES.find((one) => one === said) ?? null;
  if (said !== "" && !stage) throw notValid(`stage: "${said}" is none of ${STAGES.join(", ")}`);
  const before = text(asked, "before");
  if (before !== "" && !/^\d{4}-\d\d-\d\d$/.test(before)) {
    throw notValid(`before: "${before}" is no day (such as 2026-12-02)`);
  }
  const [words, bench, model] = [text(asked, "q"), text(asked, "bench"), text(asked, "model")];
  return { words, waits, bench, stage, model, before };
}

/** How many jobs are asked for. */
export function readSize(asked: Asked): number {
  const said = text(asked, "size");
  const size = said === "" ? USUAL_SIZE : Number(said);
  if (!Number.isInteger(size) || size < 1 || size > MOST_SIZE) {
    throw notValid(`size: "${said}" (a whole number, 1 to ${MOST_SIZE})`);
  }
  return size;
}

/** A place as an address holds it. */
export const printPlace = ({ stageRank, boardOrder, id }: Place): string =>
  Buffer.from(JSON.stringify([stageRank, boardOrder, id])).toString("base64url");

/** Where a list goes on; null where it begins. */
export function readPlace(asked: Asked): Place | null {
  const said = text(asked, "after");
  if (said === "") return null;
  try {
    const parts: unknown = JSON.parse(Buffer.from(said, "base64url").toString());
    if (Array.isArray(parts)) {
      const [stageRank, boardOrder, id] = parts as unknown[];
      const isUuid = typeof id === "string" && /^[0-9a-f-]{36}$/.test(id);
      if (typeof stageRank === "number" && typeof boardOrder === "string" && isUuid) {
        return { stageRank: Math.trunc(stageRank), boardOrder, id };
      }
    }
  } catch {
    // Told below.
  }
  throw notValid("after: take what the list before it said comes next");
}
