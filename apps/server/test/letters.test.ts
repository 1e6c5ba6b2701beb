/** Faces on paper: what is inside the packed files, and text in letters that they have. */
import { readFileSync } from "node:fs";
import { create, type Font } from "fontkit";
import { FACES } from "../faces/unpackFaces.ts";
import { sfntOf } from "../faces/sfnt.ts";
import { sheetFonts } from "../src/sheet/fonts.ts";
import { inLetters } from "../src/sheet/letters.ts";

const built = Object.values(sheetFonts()).flatMap((family) => Object.values(family));

describe("a packed face", () => {
  it.each(FACES)("$name, unpacked, is the same to a font library", ({ packed, name }) => {
    const file = built.find((path) => path.endsWith(`/${name}`))!;
    const [woff, sfnt] = [packed, file].map((path) => create(readFileSync(path)) as Font);
    expect(sfnt!.numGlyphs).toBe(woff!.numGlyphs);
    expect([sfnt!.unitsPerEm, sfnt!.ascent]).toEqual([woff!.unitsPerEm, woff!.ascent]);
    expect(sfnt!.characterSet).toEqual(woff!.characterSet);
    for (const code of sfnt!.characterSet.slice(0, 200)) {
      const [a, b] = [woff!, sfnt!].map((font) => font.glyphForCodePoint(code));
      expect([a!.id, a!.advanceWidth, a!.path.toSVG()]).toEqual([
        b!.id,
        b!.advanceWidth,
        b!.path.toSVG(),
      ]);
    }
  });

  it("is refused where it is none", () => {
    expect(() => sfntOf(Buffer.from("OTTO, and no more of a font"))).toThrow();
    expect(() => sfntOf(Buffer.alloc(60))).toThrow();
  });
});

describe("text on paper", () => {
  it("stays as it is where every letter is there", () => {
    for (const text of ["18 AWG, 0.75 mm²", "−3.2 A × 2 · 90 °", "Mühle, façade\nnext line", ""]) {
      expect(inLetters(text)).toBe(text);
    }
  });

  it("has signs that the face lacks in words, letters of others in their face, and no box", () => {
    expect(inLetters("4.7 kΩ")).toBe("4.7 kohm");
    expect(inLetters("30 → 87")).toBe("30 to 87");
    expect(inLetters("≥ 9 V")).toBe("at least 9 V");
    expect(inLetters("Łoś")).toEqual([
      { text: "Ł", font: "HyperlegibleMore" },
      { text: "o" },
      { text: "ś", font: "HyperlegibleMore" },
    ]);
    expect(inLetters("灯 1")).toBe("? 1");
  });
});
