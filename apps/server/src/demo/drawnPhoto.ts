import sharp from "sharp";
import {
  outerMeasures,
  outlineOf,
  pathData,
  type Fastener,
  type Job,
  type Photo,
  type Tone,
} from "@dragonet/core";

/** Pixels of a picture: as wide to its height as the pattern of a panel is. */
const [WIDE, HIGH] = [880, 520];
/** Air around what is drawn, and around the pattern on a panel as the page has it. */
const AIR = 60;
const EDGE = 48;

const TONES: Readonly<Record<Tone, string>> = {
  tyre: 'fill="#2a2f31" stroke="#111"',
  body: 'fill="#9fb0ac" stroke="#3c4745"',
  seat: 'fill="#3c4745" stroke="#1d2322"',
  line: 'fill="none" stroke="#2a2f31"',
};

/** The vehicle from its left, on the floor of the shop. */
function whole({ vehicle }: Job): string {
  const measures = outerMeasures(vehicle.size);
  const scale = Math.min(
    (WIDE - 2 * AIR) / measures.length,
    (HIGH - 2 * AIR) / Math.max(measures.height, 0.1),
  );
  const left = (WIDE - measures.length * scale) / 2;
  const floor = HIGH - AIR;
  const place = ([back, up]: readonly [number, number]): readonly [number, number] => [
    left + back * scale,
    floor - up * scale,
  ];
  const shapes = outlineOf(vehicle.kind, "side", measures)
    .map((shape) => `<path d="${pathData(shape, place)}" ${TONES[shape.tone]} stroke-width="3"/>`)
    .join("");
  return `<rect width="${WIDE}" height="${floor - 8}" fill="#c9c3b6"/><rect y="${floor - 8}" width="${WIDE}" height="${HIGH}" fill="#857f74"/>${shapes}`;
}

/** A head as it is turned: a slot, a cross, six corners, a pin's eye. */
const HEADS: Readonly<Record<Fastener["drive"], string>> = {
  hex: '<path d="M-9 0L-4.5-8h9L9 0L4.5 8h-9z" fill="#777" stroke="#222"/>',
  socket: '<path d="M-5 0L-2.5-4.4h5L5 0L2.5 4.4h-5z" fill="#222"/>',
  cross: '<path d="M-7 0h14M0-7v14" stroke="#222" stroke-width="3"/>',
  slot: '<path d="M-8 0h16" stroke="#222" stroke-width="3"/>',
  sixLobe: '<circle r="5" fill="#222"/>',
  push: '<circle r="5" fill="none" stroke="#222" stroke-width="2"/>',
  hand: '<path d="M-8-8l16 16M-8 8l16-16" stroke="#222" stroke-width="4"/>',
};

/** A panel with what holds it, where that is. */
function panel(fasteners: readonly Fastener[]): string {
  const heads = fasteners.flatMap(({ spots, drive }) =>
    spots.map(({ x, y }) => {
      const [cx, cy] = [EDGE + x * (WIDE - 2 * EDGE), EDGE + y * (HIGH - 2 * EDGE)];
      return `<g transform="translate(${cx} ${cy})"><circle r="15" fill="#b9b9b4" stroke="#444"/>${HEADS[drive]}</g>`;
    }),
  );
  return `<rect width="${WIDE}" height="${HIGH}" fill="#4a4f50"/><rect x="24" y="24" width="${WIDE - 48}" height="${HIGH - 48}" rx="46" fill="#6d7a78" stroke="#2b3131" stroke-width="5"/><path d="M70 ${HIGH * 0.62}C${WIDE * 0.35} ${HIGH * 0.5} ${WIDE * 0.6} ${HIGH * 0.78} ${WIDE - 70} ${HIGH * 0.6}" fill="none" stroke="#7f8d8a" stroke-width="10"/>${heads.join("")}`;
}

/** A picture of the demo: drawn from its job, as nobody has photographed what is invented. JPEG. */
export function drawnPhoto(job: Job, { stepId }: Photo): Promise<Buffer> {
  const inside =
    stepId === "" ? whole(job) : panel(job.fasteners.filter((f) => f.stepId === stepId));
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDE}" height="${HIGH}">${inside}</svg>`;
  return sharp(Buffer.from(svg)).jpeg({ quality: 78 }).toBuffer();
}
