/** The wiring sheet of every job of the demo, read by another library: what a shop tapes to the lift. */
import { execFileSync } from "node:child_process";
import { createRequire } from "node:module";
import { join } from "node:path";
import { create, type Font } from "fontkit";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import type { Agent } from "supertest";
import type { Job } from "@dragonet/core";
import { bytesOf } from "./bytesOf.ts";
import { Shop } from "./shop.ts";

interface Word {
  readonly str: string;
  readonly box: readonly [left: number, top: number, right: number, bottom: number];
}
interface Page {
  readonly width: number;
  readonly height: number;
  readonly words: readonly Word[];
}

/** Pages of several PDFs, read in one go. */
function readWords(files: readonly Buffer[]): Page[][] {
  const folder = mkdtempSync(join(tmpdir(), "dragonet-sheets-"));
  try {
    const names = files.map((bytes, i) => {
      const name = join(folder, `${i}.pdf`);
      writeFileSync(name, bytes);
      return name;
    });
    const script = join(__dirname, "readWords.mjs");
    const said = execFileSync(process.execPath, [script, ...names], { maxBuffer: 1e8 });
    return JSON.parse(said.toString()) as Page[][];
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

const textOf = (page: Page): string => page.words.map(({ str }) => str).join(" ");

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
  let jobs: readonly { readonly id: string; readonly document: Job }[];
  let font: Font;

  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
    pim = await shop.person("pim");
    const { body } = await pim.get("/api/jobs?size=100").expect(200);
    jobs = await Promise.all(
      (body as { id: string }[]).map(
        async ({ id }) => (await pim.get(`/api/jobs/${id}`)).body as { id: string; document: Job },
      ),
    );
    const require = createRequire(__filename);
    const face =
      require.resolve("@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff");
    font = create(readFileSync(face)) as Font;
  });
  afterAll(() => shop.close());

  const pdfOf = (id: string, paper = ""): Promise<Buffer> =>
    bytesOf(pim, `/api/jobs/${id}/wiring-sheet.pdf${paper}`);
  const sheet = async (id: string, paper = ""): Promise<Page[]> =>
    readWords([await pdfOf(id, paper)])[0]!;

  it("is four pages at most for up to six circuits, none blank, nothing off the page or over another", async () => {
    expect(jobs.length).toBeGreaterThan(25);
    const made: Buffer[] = [];
    // Two at a time: as many as a small server has threads for.
    for (let i = 0; i < jobs.length; i += 2) {
      made.push(...(await Promise.all(jobs.slice(i, i + 2).map(({ id }) => pdfOf(id)))));
    }
    const read = readWords(made);
    for (const [nth, { document }] of jobs.entries()) {
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
  }, 240_000);

  it("has the job, each circuit as lines, the cut list with every wire and what comes off", async () => {
    const { id, document } = jobs.find(({ document: d }) => d.card.title.startsWith("Box lamp"))!;
    const pages = await sheet(id);
    const words = taped(pages).map((page) => textOf(page).replace(/\s+/g, " "));
    for (const run of document.runs) expect(words.join(" ")).toContain(run.name);
    for (const step of document.strip) expect(words.at(-1)).toContain(step.name);
    expect(words[0]).toContain("Findings");
    expect(words.join(" ")).toContain("The whole loom");
    const csv = (await bytesOf(pim, `/api/jobs/${id}/file`)).toString();
    expect(csv).toContain(document.card.title);
    // Flags of the wires that are cut, each once on its page.
    const flags = words.at(-1)!.match(/\b(?:\d|S\d)\.\d+\b/g) ?? [];
    expect(new Set(flags).size).toBeGreaterThan(30);
  });

  it("is set for letter where that is asked for, or for who measures in inches; another paper is refused by name", async () => {
    const { id } = jobs[0]!;
    const [page] = await sheet(id, "?paper=letter");
    expect([page!.width, page!.height].map(Math.round)).toEqual([792, 612]);
    const [plain] = await sheet(id);
    expect([plain!.width, plain!.height].map(Math.round)).toEqual([842, 595]);
    const { body } = await pim.get(`/api/jobs/${id}/wiring-sheet.pdf?paper=a3`).expect(422);
    expect(body.message).toBe('invalid paper: "a3" (one of a4, letter)');
  });
});
