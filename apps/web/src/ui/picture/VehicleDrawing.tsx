import {
  outlineOf,
  pathData,
  type Measures,
  type Tone,
  type VehicleKind,
  type View,
} from "@dragonet/core";

interface VehicleDrawingProps {
  readonly kind: VehicleKind;
  readonly view: View;
  readonly measures: Measures;
  /** From m of the view to units of the picture. */
  readonly place: (point: readonly [number, number]) => readonly [number, number];
  /** On paper; at dusk, where light is seen; or as mere lines before something else. */
  readonly ground?: "paper" | "dusk" | "lines";
}

const ON_PAPER: Readonly<Record<Tone, string>> = {
  tyre: "fill-hair stroke-edge",
  body: "fill-paper stroke-edge",
  seat: "fill-sunk stroke-edge",
  line: "fill-none stroke-edge",
};

const AT_DUSK: Readonly<Record<Tone, string>> = {
  tyre: "fill-[#161c1e] stroke-[#7e8b8a]",
  body: "fill-[#2b3437] stroke-[#7e8b8a]",
  seat: "fill-[#22292b] stroke-[#7e8b8a]",
  line: "fill-none stroke-[#7e8b8a]",
};

const LINE = "fill-none stroke-[#c6cfcc]";

const GROUNDS: Readonly<Record<"paper" | "dusk" | "lines", Readonly<Record<Tone, string>>>> = {
  paper: ON_PAPER,
  dusk: AT_DUSK,
  lines: { tyre: LINE, body: LINE, seat: LINE, line: LINE },
};

/** A vehicle of a kind as it is seen from one side, to its own measures: plain lines, nobody's design. */
export function VehicleDrawing({
  kind,
  view,
  measures,
  place,
  ground = "paper",
}: VehicleDrawingProps) {
  const tones = GROUNDS[ground];
  return (
    <g strokeWidth={1.1} strokeLinejoin="round" aria-hidden>
      {outlineOf(kind, view, measures).map((shape, i) => (
        <path key={i} d={pathData(shape, place)} className={tones[shape.tone]} />
      ))}
    </g>
  );
}
