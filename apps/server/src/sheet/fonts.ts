import { createRequire } from "node:module";

const require = createRequire(import.meta.url);

type Letters = "latin" | "latin-ext";

const file = (family: string, letters: Letters, weight: number): string =>
  require.resolve(`@fontsource/${family}/files/${family}-${letters}-${weight}-normal.woff`);

const faces = (family: string, letters: Letters) => {
  const [normal, bold] = [file(family, letters, 400), file(family, letters, 700)];
  return { normal, bold, italics: normal, bolditalics: bold };
};

/** The application's own faces, from the packages it ships with. */
export const sheetFonts = () => ({
  Hyperlegible: faces("atkinson-hyperlegible-next", "latin"),
  /** Letters of other languages in the same hand. */
  HyperlegibleMore: faces("atkinson-hyperlegible-next", "latin-ext"),
});
