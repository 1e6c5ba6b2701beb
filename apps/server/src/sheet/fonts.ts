import { existsSync } from "node:fs";
import { fileURLToPath } from "node:url";

/** Where the build has put the faces: beside what it has built, wherever this runs from. */
const FOLDERS = ["./fonts/", "../../dist/fonts/"];

type Letters = "latin" | "latin-ext";

function folder(): string {
  const found = FOLDERS.map((path) => fileURLToPath(new URL(path, import.meta.url))).find((path) =>
    existsSync(path),
  );
  if (found === undefined) throw new Error("The faces for paper are not built: npm run build.");
  return found;
}

const faces = (family: string, letters: Letters) => {
  const file = (weight: number): string => `${folder()}${family}-${letters}-${weight}.ttf`;
  const [normal, bold] = [file(400), file(700)];
  return { normal, bold, italics: normal, bolditalics: bold };
};

/** The application's own faces for paper, as files. */
export const sheetFonts = () => ({
  Hyperlegible: faces("atkinson-hyperlegible-next", "latin"),
  /** Letters of other languages in the same hand. */
  HyperlegibleMore: faces("atkinson-hyperlegible-next", "latin-ext"),
});
