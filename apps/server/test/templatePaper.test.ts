/** A drilling template on paper: cut off at the edges of its pages, at 1:1, whatever the paper. */
import { tilesOf, type Drawing, type DrawingItem } from "@dragonet/core";
import { plain } from "./paperWords.ts";
import { readWords, textOf, type Page } from "./readWords.ts";

const MM = 72 / 25.4;

const item = (kind: "line", layer: "CUT" | "PANEL", at: readonly number[]): DrawingItem => ({
  ...{ kind, layer, x1: at[0]!, y1: at[1]!, x2: at[2]!, y2: at[3]! },
});
const drawing: Drawing = {
  ...{ title: "Panel", widthMm: 300, heightMm: 120 },
  items: [
    item("line", "CUT", [10, 60, 290, 60]),
    item("line", "PANEL", [20, 10, 20, 110]),
    item("line", "CUT", [250, 20, 280, 50]),
    { ...{ kind: "circle", layer: "CUT", x: 30, y: 40, r: 8 } },
    { ...{ kind: "circle", layer: "CUT", x: 280, y: 80, r: 4 } },
    { ...{ kind: "text", layer: "MARK", x: 40, y: 30, heightMm: 3, text: "here" } },
    { ...{ kind: "text", layer: "MARK", x: 270, y: 100, heightMm: 3, text: "there" } },
  ],
};

describe("a template", () => {
  let read: { template: Page[]; templateLetter: Page[] };
  beforeAll(() => {
    const [template = [], templateLetter = []] = readWords([
      { kind: "template", drawing, paper: "a4" },
      { kind: "template", drawing, paper: "letter" },
    ]);
    read = { template, templateLetter };
  });

  const inMm = (page: Page): number[][] => page.boxes.map((box) => box.map((pt) => pt / MM - 12));
  const near = (a: readonly number[], b: readonly number[]): boolean =>
    a.every((v, i) => Math.abs(v - b[i]!) < 0.02);
  const has = (page: Page, box: readonly number[]): boolean => inMm(page).some((b) => near(b, box));

  it.each(["a4", "letter"] as const)(
    "on %s lies on its pages at 1:1, cut off at their edges",
    (paper) => {
      const pages = paper === "a4" ? read.template : read.templateLetter;
      const tiles = tilesOf(drawing, paper);
      expect(pages).toHaveLength(tiles.length);
      expect(pages).toHaveLength(2);
      const [first, second] = tiles;
      const [one, two] = pages;
      const x2 = second!.fromXMm;
      // The long cut goes to the first page's edge, and on from the second's.
      expect(has(one!, [10, 60, first!.widthMm, 60])).toBe(true);
      expect(has(two!, [0, 60, 290 - x2, 60])).toBe(true);
      expect(has(one!, [20, 10, 20, 110])).toBe(true);
      expect(has(two!, [250 - x2, 20, 280 - x2, 50])).toBe(true);
      expect(has(one!, [250, 20, 280, 50])).toBe(false);
      expect(has(one!, [22, 32, 38, 48])).toBe(true);
      expect(has(two!, [276 - x2, 76, 284 - x2, 84])).toBe(true);
      // What lies beyond a page is not on it.
      expect(
        inMm(one!).some(
          (b) => Math.abs(b[2]! - b[0]! - 8) < 0.02 && Math.abs(b[3]! - b[1]! - 8) < 0.02,
        ),
      ).toBe(false);
      expect(textOf(one!)).toContain("here");
      expect(textOf(one!)).not.toContain("there");
      expect(textOf(two!)).toContain("there");
      for (const [i, page] of pages.entries()) {
        expect(plain(textOf(page))).toContain(
          `100 mm. Panel. Page ${i + 1} of 2: row 1, column ${i + 1}. Print at 100 %`,
        );
        const { widthMm: w, heightMm: h } = tiles[i]!;
        for (const [x, y] of [
          [0, 0],
          [w, 0],
          [0, h],
          [w, h],
        ] as const) {
          expect(has(page, [x - 3, y, x + 3, y])).toBe(true);
          expect(has(page, [x, y - 3, x, y + 3])).toBe(true);
        }
        const bar = inMm(page).filter((b) => near([b[2]! - b[0]!], [100]));
        expect(bar.length).toBeGreaterThan(0);
        expect(bar.every((b) => b[1]! > h)).toBe(true);
      }
    },
  );

  it("has the words where they belong, as high as they say", () => {
    const word = read.template[0]!.words.find(({ str }) => str === "here")!;
    expect(word.box[0] / MM - 12).toBeCloseTo(40, 1);
    expect((word.box[3] - word.box[1]) / 0.68 / MM).toBeCloseTo(3, 1);
  });
});
