import { elementOf, rootV, type Circuit, type RunCircuit } from "../circuit/index.ts";
import type { ElementId } from "../job/index.ts";
import type { OperatingPoint } from "./operatingPoint.ts";

/** What a run's worst lamp loses on the way out and back. */
export interface Drop {
  /** In wires, as a share of the source: what more copper would mend. */
  readonly copper: number;
  /** In fuses, contacts, plugs and the frame, in V: what no copper buys back. */
  readonly fixedV: number;
}

const NONE: Drop = { copper: 0, fixedV: 0 };

/** From the last thing on a path that holds a voltage of its own. */
function behindSource(circuit: Pick<Circuit, "elements">, path: readonly ElementId[]) {
  const at = path.findLastIndex((id) => {
    const kind = circuit.elements.get(id)?.kind;
    return kind === "converter" || kind === "battery";
  });
  return path.slice(at + 1);
}

/**
 * Volts lost out and back for a run's worst lamp (or its whole string), copper apart from
 * what is fixed. What lies before a converter or a battery of its own costs no lamp a volt.
 */
export function dropOf(
  circuit: Pick<Circuit, "elements">,
  run: Pick<RunCircuit, "branches" | "root" | "steps" | "feedShared" | "out" | "back">,
  point: OperatingPoint,
): Drop {
  const sourceV = rootV(run.root, point);
  if (run.branches.length === 0 || sourceV <= 0) return NONE;
  const lost = (ids: readonly ElementId[]) => {
    let [copperV, fixedV] = [0, 0];
    for (const id of ids) {
      const at = point.at.get(id);
      if (!at || !circuit.elements.has(id)) continue;
      const volts = Math.abs(at.fromV - at.toV);
      if (elementOf(circuit, id).kind === "wire") copperV += volts;
      else fixedV += volts;
    }
    return { copperV, fixedV };
  };
  const common = lost([...behindSource(circuit, run.feedShared), ...run.out, ...run.back]);
  const branches = run.branches.map((b) => lost([...b.out, ...b.back]));
  // A string's lamps follow each other: what each loses adds up.
  const worst =
    run.steps > 1
      ? {
          copperV: (run.steps * branches.reduce((v, b) => v + b.copperV, 0)) / branches.length,
          fixedV: (run.steps * branches.reduce((v, b) => v + b.fixedV, 0)) / branches.length,
        }
      : branches.reduce((most, b) => (b.copperV > most.copperV ? b : most));
  return {
    copper: (common.copperV + worst.copperV) / sourceV,
    fixedV: common.fixedV + worst.fixedV,
  };
}
