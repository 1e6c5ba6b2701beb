import { readFileSync } from "node:fs";
import { create, type Font } from "fontkit";
import type { Content, DynamicContent, TDocumentDefinitions } from "pdfmake/interfaces.js";
import { sheetFonts } from "./fonts.ts";

/** Signs that the faces on paper have not, in words. */
const SPELLED: Readonly<Record<string, string>> = {
  ...{ "\u03a9": "ohm", "\u2126": "ohm", "\u2192": "to", "\u2190": "from" },
  ...{ "\u2265": "at least", "\u2264": "at most", "\u2248": "about", "\u2260": "not" },
};
/** Stands for a letter that no face here has. */
const UNKNOWN = "?";

let faces: { readonly plain: Font; readonly more: Font } | null = null;

/** The faces themselves: which letters they have. */
function lettersOf() {
  if (faces) return faces;
  const open = (file: string): Font => create(readFileSync(file)) as Font;
  const { Hyperlegible, HyperlegibleMore } = sheetFonts();
  faces = { plain: open(Hyperlegible.normal), more: open(HyperlegibleMore.normal) };
  return faces;
}

type Face = "plain" | "more" | "none";

const faceOf = (letter: string): Face => {
  const code = letter.codePointAt(0) ?? 0;
  // A line's end is none of a face's letters.
  if (code < 32) return "plain";
  const { plain, more } = lettersOf();
  return plain.hasGlyphForCodePoint(code)
    ? "plain"
    : more.hasGlyphForCodePoint(code)
      ? "more"
      : "none";
};

const PLAIN = /^[\u0020-\u007e\n]*$/;

/** Text in letters that are there: signs in words, others by the face that has them. */
export function inLetters(text: string): string | { text: string; font?: string }[] {
  if (PLAIN.test(text)) return text;
  const pieces: { text: string; font?: string }[] = [];
  for (const letter of text) {
    const face = faceOf(letter);
    const shown = face === "none" ? (SPELLED[letter] ?? UNKNOWN) : letter;
    const font = face === "more" ? "HyperlegibleMore" : undefined;
    const last = pieces.at(-1);
    if (last && last.font === font) last.text += shown;
    else pieces.push({ text: shown, ...(font === undefined ? {} : { font }) });
  }
  const [first, ...others] = pieces;
  return first && others.length === 0 && first.font === undefined ? first.text : pieces;
}

/** A drawing has one face: what that has not is spelled, or stands as unknown. */
const drawnInLetters = (svg: string): string =>
  [...svg]
    .map((c) => (PLAIN.test(c) || faceOf(c) === "plain" ? c : (SPELLED[c] ?? UNKNOWN)))
    .join("");

const HOLDERS: ReadonlySet<string> = new Set(["text", "stack", "columns", "ul", "ol"]);

function walked(node: unknown): unknown {
  if (typeof node === "string") return inLetters(node);
  if (Array.isArray(node)) return node.map(cell);
  if (typeof node !== "object" || node === null) return node;
  return Object.fromEntries(
    Object.entries(node).map(([key, value]) => {
      if (HOLDERS.has(key)) return [key, walked(value)];
      if (key === "svg" && typeof value === "string") return [key, drawnInLetters(value)];
      if (key === "table") return [key, { ...value, body: walkedRows(value) }];
      return [key, value as unknown];
    }),
  );
}

const walkedRows = (table: { readonly body: readonly (readonly unknown[])[] }): unknown =>
  table.body.map((row) => row.map(cell));

/** A cell of plain text stays one: in a table an array would be a stack. */
const cell = (node: unknown): unknown => {
  if (typeof node !== "string") return walked(node);
  const made = inLetters(node);
  return typeof made === "string" ? made : { text: made };
};

/** A document whose every text is in letters that are there. */
export function documentInLetters(document: TDocumentDefinitions): TDocumentDefinitions {
  const { header, footer, content } = document;
  const dynamic = (made: DynamicContent | Content): DynamicContent | Content =>
    typeof made === "function"
      ? (...args) => cell(made(...args)) as Content
      : (cell(made) as Content);
  return {
    ...document,
    content: (Array.isArray(content) ? content.map(cell) : cell(content)) as Content,
    ...(header === undefined ? {} : { header: dynamic(header) }),
    ...(footer === undefined ? {} : { footer: dynamic(footer) }),
  };
}
