import { levelAngleFault, upAngleFault } from "./angles.ts";
import { MOST_CHARACTERS, type PhotometryRead } from "./ies.ts";
import { MOST_ANGLES, MOST_CANDELA, type Photometry } from "./photometry.ts";

/** Lines before the first set of lamps, and lines of each set. */
const HEAD_LINES = 26;
const SET_LINES = 6;
/** Direct ratios for ten room indices: of no use on a vehicle. */
const RATIO_LINES = 10;

class Lines {
  private fault: { readonly line: number; readonly message: string } | null = null;
  constructor(private readonly lines: readonly string[]) {}

  /** The first thing that was refused; null so far. */
  refused(): { readonly line: number; readonly message: string } | null {
    return this.fault;
  }

  text(line: number): string {
    return (this.lines[line - 1] ?? "").trim();
  }

  get count(): number {
    return this.lines.length;
  }

  refuse(line: number, message: string): void {
    this.fault ??= { line, message };
  }

  number(line: number, what: string): number {
    const word = this.text(line).replace(",", ".");
    if (line > this.count) {
      this.refuse(this.count, `the file ends where ${what} should stand`);
      return 0;
    }
    const value = Number(word);
    if (!/^[-+]?(\d+\.?\d*|\.\d+)([eE][-+]?\d{1,3})?$/.test(word) || !Number.isFinite(value)) {
      this.refuse(line, `${what}: "${this.text(line).slice(0, 40)}" is no number`);
      return 0;
    }
    return value;
  }

  whole(line: number, what: string, least: number, most: number): number {
    const value = this.number(line, what);
    if (!Number.isInteger(value) || value < least || value > most) {
      this.refuse(line, `${what}: ${value} must be a whole number from ${least} to ${most}`);
      return least;
    }
    return value;
  }
}

/** Which planes a file holds, of `planes` in all, by its symmetry: first index and how many. */
function planesHeld(symmetry: number, planes: number): readonly [number, number] {
  switch (symmetry) {
    case 1:
      return [0, 1];
    case 2:
      return [0, planes / 2 + 1];
    case 3:
      return [(3 * planes) / 4, planes / 2 + 1];
    case 4:
      return [0, planes / 4 + 1];
    default:
      return [0, planes];
  }
}

/** The planes in the order and span of LM-63's type C. */
function asTypeC(
  symmetry: number,
  angles: readonly number[],
  held: readonly (readonly number[])[],
): Pick<Photometry, "horizontal" | "candela"> {
  switch (symmetry) {
    case 1:
      return { horizontal: [0], candela: held.flat() };
    case 2:
    case 4:
      return { horizontal: angles, candela: held.flat() };
    case 3:
      // Held from 270 over 0 to 90: from 90 back to 270 is its mirror image.
      return {
        horizontal: angles.map((_, i) => 90 + (angles[i] ?? 0) - (angles[0] ?? 0)),
        candela: held.toReversed().flat(),
      };
    default:
      return { horizontal: [...angles, 360], candela: [...held, held[0] ?? []].flat() };
  }
}

/** Reads EULUMDAT. A broken file is refused with its first wrong line. */
export function readLdt(text: string): PhotometryRead {
  if (text.length > MOST_CHARACTERS) {
    return { ok: false, line: 1, message: `longer than ${MOST_CHARACTERS} characters` };
  }
  const lines = new Lines(text.replace(/\s+$/, "").split(/\r\n|\n|\r/));
  const read = body(lines);
  const fault = lines.refused();
  return fault ? { ok: false, ...fault } : { ok: true, value: read };
}

function body(lines: Lines): Photometry {
  const symmetry = lines.whole(3, "symmetry", 0, 4);
  const planes = lines.whole(4, "number of C planes", 1, MOST_ANGLES);
  const ups = lines.whole(6, "intensities in each C plane", 1, MOST_ANGLES);
  const factor = lines.number(24, "conversion factor");
  const sets = lines.whole(26, "number of sets of lamps", 1, 20);
  const [from, count] = planesHeld(symmetry, planes);
  // Held from 270 on: that has to be a plane, and not between two.
  if (!Number.isInteger(count) || !Number.isInteger(from)) {
    lines.refuse(4, `${planes} C planes do not go with symmetry ${symmetry}: not divisible`);
  }
  if (count * ups > MOST_CANDELA) {
    lines.refuse(6, `${count} by ${ups} intensities: ${MOST_CANDELA} at most`);
  }
  if (factor <= 0) lines.refuse(24, `conversion factor: ${factor} is not above 0`);
  // A negative number of lamps says that the intensities are those of the lamp as it is.
  const lamps = lines.number(HEAD_LINES + 1, "number of lamps");
  const flux = lines.number(HEAD_LINES + 3, "total flux");
  const watts = lines.number(HEAD_LINES + 6, "watts");
  if (flux <= 0) lines.refuse(HEAD_LINES + 3, `total flux: ${flux} is not above 0`);
  const empty = {
    name: "",
    by: "",
    source: "file",
    type: "C",
    watts: 0,
    lampLumens: null,
  } as const;
  if (lines.refused()) return { ...empty, vertical: [0], horizontal: [0], candela: [0] };
  const first = HEAD_LINES + SET_LINES * sets + RATIO_LINES + 1;
  const all = Array.from({ length: planes }, (_, i) => lines.number(first + i, "C angle"));
  const vertical = Array.from({ length: ups }, (_, i) =>
    lines.number(first + planes + i, "gamma angle"),
  );
  const upFault = upAngleFault("C", vertical);
  if (!lines.refused() && upFault !== null) lines.refuse(first + planes + ups - 1, upFault);
  const start = first + planes + ups;
  const scale = (factor * flux) / 1000;
  const held = Array.from({ length: count }, (_, j) =>
    Array.from({ length: ups }, (__, i) => {
      const line = start + j * ups + i;
      const value = lines.number(line, "intensity");
      if (value < 0) lines.refuse(line, `intensity: ${value} is below 0`);
      return value * scale;
    }),
  );
  const end = start + count * ups - 1;
  if (!lines.refused() && lines.count > end) {
    lines.refuse(end + 1, `more than ${count} by ${ups} intensities`);
  }
  const angles = symmetry === 3 ? around(all, from, count) : all.slice(0, count);
  const turned = asTypeC(symmetry, angles, held);
  const levelFault = symmetry === 0 ? risesTo360(all) : levelAngleFault("C", turned.horizontal);
  if (!lines.refused() && levelFault !== null) lines.refuse(first + planes - 1, levelFault);
  return {
    name: lines.text(9),
    by: lines.text(1),
    source: "file",
    type: "C",
    vertical,
    ...turned,
    watts,
    lampLumens: lamps < 0 ? null : flux,
  };
}

/** Plane angles from one of them on, over 360, rising. */
const around = (all: readonly number[], from: number, count: number): number[] =>
  Array.from({ length: count }, (_, i) => {
    const at = from + i;
    return at < all.length ? (all[at] ?? 0) : (all[at - all.length] ?? 0) + 360;
  });

function risesTo360(all: readonly number[]): string | null {
  const right = all[0] === 0 && all.every((a, i) => i === 0 || a > (all[i - 1] ?? 0));
  return right && (all.at(-1) ?? 0) < 360 ? null : "C angles must rise from 0 and end below 360";
}

const number = (value: number): string => String(Number(value.toPrecision(7)));

const oneLine = (text: string, most: number): string =>
  text.replaceAll(/\p{Cc}/gu, " ").slice(0, most);

/** Writes EULUMDAT without symmetry, as absolute intensities; type C only: others are turned first. */
export function printLdt(p: Photometry & { readonly type: "C" }, lumens: number): string {
  const flux = Math.max(1e-3, lumens);
  const planes = p.horizontal.length === 1 ? [0] : p.horizontal.filter((h) => h < 360);
  const symmetry = p.horizontal.length === 1 ? 1 : 0;
  const step = planes.length > 1 ? (planes[1] ?? 0) - (planes[0] ?? 0) : 0;
  const rise = p.vertical.length > 1 ? (p.vertical[1] ?? 0) - (p.vertical[0] ?? 0) : 0;
  const head = [
    ...[oneLine(p.by, 78), "1", String(symmetry), String(planes.length), number(step)],
    ...[String(p.vertical.length), number(rise), "", oneLine(p.name, 78), "", "", ""],
    ...["0", "0", "0", "0", "0", "0", "0", "0", "0"],
    ...["100", "100", "1", "0", "1"],
    ...["-1", "", number(flux), "", "", number(p.watts)],
    ...Array.from({ length: RATIO_LINES }, () => "0"),
  ];
  const intensities = planes.flatMap((_, j) =>
    p.vertical.map((__, i) => number(((p.candela[j * p.vertical.length + i] ?? 0) * 1000) / flux)),
  );
  return `${[...head, ...planes.map(number), ...p.vertical.map(number), ...intensities].join("\r\n")}\r\n`;
}
