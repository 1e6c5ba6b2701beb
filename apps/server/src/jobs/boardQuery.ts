import { BLOCKER_KINDS, STAGES, type Stage } from "@dragonet/core";
import { printPlace, readPlace, readText, type Asked } from "../http/listQuery.ts";
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

const WAITS: readonly string[] = [...BLOCKER_KINDS, "stop", "nothing"];

/** What is asked for in an address; what cannot be meant is refused by its name. */
export function readBoardQuery(asked: Asked): BoardQuery {
  const waits = readText(asked, "waits");
  if (waits !== "" && !WAITS.includes(waits)) {
    throw notValid(`waits: "${waits}" is none of ${WAITS.join(", ")}`);
  }
  const said = readText(asked, "stage");
  const stage = STAGES.find((one) => one === said) ?? null;
  if (said !== "" && !stage) throw notValid(`stage: "${said}" is none of ${STAGES.join(", ")}`);
  const before = readText(asked, "before");
  if (before !== "" && !/^\d{4}-\d\d-\d\d$/.test(before)) {
    throw notValid(`before: "${before}" is no day (such as 2026-12-02)`);
  }
  const [words, bench, model] = [
    readText(asked, "q"),
    readText(asked, "bench"),
    readText(asked, "model"),
  ];
  return { words, waits, bench, stage, model, before };
}

/** A place as an address holds it. */
export const printJobPlace = ({ stageRank, boardOrder, id }: Place): string =>
  printPlace([stageRank, boardOrder, id]);

/** Where a list of jobs goes on; null where it begins. */
export const readJobPlace = (asked: Asked): Place | null =>
  readPlace(asked, ([stageRank, boardOrder, id]) => {
    const isUuid = typeof id === "string" && /^[0-9a-f-]{36}$/.test(id);
    return typeof stageRank === "number" && typeof boardOrder === "string" && isUuid
      ? { stageRank: Math.trunc(stageRank), boardOrder, id }
      : null;
  });
