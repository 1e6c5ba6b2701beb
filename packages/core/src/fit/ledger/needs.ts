import type { Circuit } from "../../circuit/index.ts";
import type { Job } from "../../job/index.ts";
import { materialsOf } from "../../lineDiagram/index.ts";
import { cutListOf } from "../cut/cutList.ts";

/** Pieces, or metres of wire, that a job takes from the shelf. */
export interface Need {
  readonly name: string;
  readonly count: number;
  readonly unit: "" | "m";
}

/** What a job takes: parts and wire of its circuit as cut, terminals of its ends, its grommets. */
export function needsOf(job: Job, circuit: Circuit): Need[] {
  const needs = new Map<string, Need>();
  const add = (name: string, count: number, unit: Need["unit"]): void => {
    const before = needs.get(name)?.count ?? 0;
    needs.set(name, { name, count: Math.round((before + count) * 100) / 100, unit });
  };
  for (const item of materialsOf(job, circuit))
    if (item.unit === "") add(item.name, item.count, "");
  const { lines } = cutListOf(job, circuit);
  for (const line of lines) {
    add(`wire ${line.gaugeId}`, line.cutM, "m");
    for (const end of [line.from, line.to]) {
      if (end.piece) add(end.terminal, 1, "");
    }
  }
  return [...needs.values()];
}

/** The name of a need or of a part by which they find each other. */
export const shelfName = (name: string): string => name.toLowerCase().replace(/, metre$/, "");
