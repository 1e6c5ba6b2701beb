import { createRequire } from "node:module";

const require = createRequire(import.meta.url);

const file = (family: string, weight: number): string =>
  require.resolve(`@fontsource/${family}/files/${family}-latin-${weight}-normal.woff`);

const faces = (family: string) => {
  const [normal, bold] = [file(family, 400), file(family, 700)];
  return { normal, bold, italics: normal, bolditalics: bold };
};

/** The application's own faces, from the packages it ships with. */
export const sheetFonts = () => ({
  Hyperlegible: faces("atkinson-hyperlegible-next"),
});
