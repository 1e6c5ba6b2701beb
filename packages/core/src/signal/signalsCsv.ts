import type { SignalTrace } from "./simulate.ts";
import { measureFlash } from "./measure.ts";
import { printCsv } from "../format/csv.ts";

/** Every change of every lamp, one a line. */
export const signalsCsv = (trace: SignalTrace): string =>
  printCsv(
    ["lamp", "at_s", "level"],
    trace.lamps.flatMap((lamp) =>
      lamp.steps.map(({ atS, level }) => ({
        lamp: lamp.label,
        at_s: atS.toFixed(4),
        level: level.toFixed(4),
      })),
    ),
  );

/** Rate, share and first flash of each lamp that flashes. */
export const measuresOf = (trace: SignalTrace) =>
  trace.lamps.map((lamp) => ({ lamp, measure: measureFlash(lamp) }));
