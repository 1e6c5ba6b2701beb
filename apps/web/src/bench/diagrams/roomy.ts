import { useMedia } from "../../base/useNarrow.ts";
import type { DiagramsShown } from "./diagramsShown.ts";

/** Height of a circuit, of each lane under it and of a feeder at their usual size, in px. */
const [CIRCUIT_PX, LANE_PX, LAMP_PX, FEEDER_PX] = [100, 86, 40, 30];
/** Head, stages and controls above the circuits, in px. */
const ABOVE_PX = 190;
/** More parts in a lane than this have no room to be larger. */
const MOST_PARTS = 6;
/** Higher than any screen. */
const NEVER_PX = 100_000;
/** How much higher circuits stand where there is room. */
const LARGER = 1.7;

function heightOf({ strips, feeders }: DiagramsShown): number {
  const rows = strips.map(
    ({ control, lamps }) =>
      Math.max(CIRCUIT_PX, Math.min(lamps.length, 4) * LAMP_PX) + control.length * LANE_PX,
  );
  return rows.reduce((sum, px) => sum + px, feeders.length * FEEDER_PX);
}

/** Whether circuits may be drawn larger: few of them on a screen that is wide and high enough. */
export function useRoomy(view: DiagramsShown): boolean {
  const isDense = view.strips.some(({ out, control }) =>
    [out, ...control.map((lane) => lane.parts)].some((parts) => parts.length > MOST_PARTS),
  );
  const wantedPx = isDense ? NEVER_PX : LARGER * heightOf(view) + ABOVE_PX;
  return useMedia(`(min-width: 64rem) and (min-height: ${Math.ceil(wantedPx)}px)`);
}
