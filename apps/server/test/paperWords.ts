/** What tests of papers share: jobs to print, and what has to stand on the pages. */
import type { Job, UnitSystem } from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";
import { textOf, type Page } from "./readWords.ts";

const jobs = demoJobs();
export const jobThat = (is: (job: Job) => boolean): Job => {
  const found = jobs.find(is);
  if (!found) throw new Error("no job of the demo is such");
  return found;
};

/** Words of a page as one line, as a reader takes them. */
export const plain = (text: string): string => text.replace(/\s+/g, " ");
export const allText = (pages: readonly Page[]): string => plain(pages.map(textOf).join(" "));
/** What is written, whatever stands between its words on the page: a line's end, a column's edge. */
const squeezed = (text: string): string => text.replace(/\s+/g, "");
/** Every text stands on the pages. */
export function expectAll(pages: readonly Page[], texts: readonly string[]): void {
  const there = squeezed(allText(pages));
  // The face on paper has no Ω: it is spelled.
  const printed = (text: string): string => squeezed(text.replaceAll("Ω", "ohm"));
  expect(texts.filter((text) => !there.includes(printed(text)))).toEqual([]);
}
export const pagesText = (pages: readonly Page[]): void => {
  for (const [i, page] of pages.entries()) {
    expect(plain(textOf(page))).toContain(`${i + 1} / ${pages.length}`);
  }
};

export const options = (units: UnitSystem) => ({ shop: "The shop", revision: 3, units });
