/** The wiring sheet of every job of the demo, read by another library: what a shop tapes to the lift. */
import { create, type Font } from "fontkit";
import { readFileSync } from "node:fs";
import type { Agent } from "supertest";
import type { Job } from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";
import { sheetFonts } from "../src/sheet/fonts.ts";
import type { Task } from "../src/work/tasks.ts";
import { bytesOf } from "./bytesOf.ts";
import { readWords, textOf, type Page } from "./readWords.ts";
import { Shop } from "./shop.ts";

/** A job's sheet as its page asks for it. */
const sheetOf = (document: Job): Task => ({
  ...{ kind: "wiringSheet", document },
  options: {
    ...{ shop: "Shop", revision: 1, units: "metric", paper: "a4" },
    url: "http://127.0.0.1:1/jobs/one/circuit",
  },
});

/** Pages that are taped up: the test and what is for the inspector are behind them. */
const taped = (pages: readonly Page[]): readonly Page[] => {
  const behind = pages.findIndex((page) =>
    /Test on the vehicle|For the inspector/.test(textOf(page).replace(/\s+/g, " ")),
  );
  return behind < 0 ? pages : pages.slice(0, behind);
};

/** Pieces of text that lie over each other by more than a hair. */
function crossings({ words }: Page): string[] {
  const sorted = [...words].sort((a, b) => a.box[1] - b.box[1]);
  return sorted.flatMap((a, i) => {
    const found: string[] = [];
    for (let k = i + 1; k < sorted.length; k += 1) {
      const b = sorted[k]!;
      if (b.box[1] > a.box[3]) break;
      const wide = Math.min(a.box[2], b.box[2]) - Math.max(a.box[0], b.box[0]);
      const high = Math.min(a.box[3], b.box[3]) - Math.max(a.box[1], b.box[1]);
      if (wide > 1 && high > 0.4) found.push(`“${a.str}” and “${b.str}”`);
    }
    return found;
  });
}

describe("the wiring sheet", () => {
  let shop: Shop;
  let pim: Agent;
  let font: Font;

  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
    pim = await shop.person("pim");
    font = create(readFileSync(sheetFonts().Hyperlegible.normal)) as Font;
  });
  afterAll(() => shop.close());

  const jobs = demoJobs();

  it("is four pages at most for up to six circuits, none blank, nothing off the page or over another", () => {
    expect(jobs.length).toBeGreaterThan(25);
    const read = readWords(jobs.map(sheetOf), true);
    for (const [nth, document] of jobs.entries()) {
      const pages = read[nth]!;
      const { title } = document.card;
      if (document.runs.length <= 6)
        expect([title, taped(pages).length <= 4]).toEqual([title, true]);
      for (const [i, page] of pages.entries()) {
        const where = `${title}, page ${i + 1}`;
        // Head and foot are eight words or so: a page has more than that to say.
        expect([where, page.words.length > 30]).toEqual([where, true]);
        const off = page.words.filter(
          ({ box }) =>
            box[0] < 10 || box[1] < 5 || box[2] > page.width - 10 || box[3] > page.height,
        );
        expect([where, off.map(({ str }) => str)]).toEqual([where, []]);
        expect([where, crossings(page)]).toEqual([where, []]);
        const missing = [...textOf(page)].filter(
          (c) => !font.hasGlyphForCodePoint(c.codePointAt(0)!),
        );
        const signs = [...new Set(missing)].map((c) => c.codePointAt(0)!.toString(16));
        expect([where, signs]).toEqual([where, []]);
      }
    }
  });

  it("has the job, each circuit as lines, the cut list with every wire and what comes off", () => {
    const document = jobs.find(({ card }) => card.title.startsWith("Box lamp"))!;
    const [pages = []] = readWords([sheetOf(document)]);
    const words = taped(pages).map((page) => textOf(page).replace(/\s+/g, " "));
    for (const run of document.runs) expect(words.join(" ")).toContain(run.name);
    for (const step of document.strip) expect(words.at(-1)).toContain(step.name);
    expect(words[0]).toContain("Findings");
    expect(words.join(" ")).toContain("The whole loom");
    // Flags of the wires that are cut, each once on its page.
    const flags = words.at(-1)!.match(/\b(?:\d|S\d)\.\d+\b/g) ?? [];
    expect(new Set(flags).size).toBeGreaterThan(30);
  });

  it("is set for letter where that is asked for, or for who measures in inches; another paper is refused by name", async () => {
    const { body: told } = await pim.get("/api/jobs").expect(200);
    const { id } = (told as { id: string }[])[0]!;
    const sizeOf = async (paper: string): Promise<number[]> => {
      const [pages] = readWords([await bytesOf(pim, `/api/jobs/${id}/wiring-sheet.pdf${paper}`)]);
      return [pages![0]!.width, pages![0]!.height].map(Math.round);
    };
    expect(await sizeOf("?paper=letter")).toEqual([792, 612]);
    expect(await sizeOf("")).toEqual([842, 595]);
    const { body } = await pim.get(`/api/jobs/${id}/wiring-sheet.pdf?paper=a3`).expect(422);
    expect(body.message).toBe('invalid paper: "a3" (one of a4, letter)');
  });
});
