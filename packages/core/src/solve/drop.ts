import { itemAt } from "../present/index.ts";
import { rootV, type Circuit, type LaidCircuit } from "../circuit/index.ts";
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

/** Where a path goes on from the last thing on it that holds a voltage of its own. */
const behindSource = (circuit: Pick<Circuit, "elements">, path: readonly ElementId[]): number =>
  path.findLastIndex((id) => {
    const kind = circuit.elements.get(id)?.kind;
    return kind === "converter" || kind === "battery";
  }) + 1;

/** Volts that are lost along paths, added up as they are walked. */
class Lost {
  copperV = 0;
  fixedV = 0;
  constructor(
    private readonly circuit: Pick<Circuit, "elements">,
    private readonly point: OperatingPoint,
  ) {}

  along(path: readonly ElementId[], from = 0): this {
    for (let i = from; i < path.length; i += 1) {
      const id = itemAt(path, i);
      const kind = this.circuit.elements.get(id)?.kind;
      const at = this.point.at.get(id);
      if (!at || kind === undefined) continue;
      const volts = Math.abs(at.fromV - at.toV);
      if (kind === "wire") this.copperV += volts;
      else this.fixedV += volts;
    }
    return this;
  }
}

/**
 * Volts lost out and back for a run's worst lamp (or its whole string), copper apart from
 * what is fixed. What lies before a converter or a battery of its own costs no lamp a volt.
 */
export function dropOf(
  circuit: Pick<Circuit, "elements">,
  run: Pick<LaidCircuit, "branches" | "root" | "steps" | "feedShared" | "out" | "back">,
  point: OperatingPoint,
): Drop {
  const sourceV = rootV(run.root, point);
  if (run.branches.length === 0 || sourceV <= 0) return NONE;
  const common = new Lost(circuit, point)
    .along(run.feedShared, behindSource(circuit, run.feedShared))
    .along(run.out)
    .along(run.back);
  const branches = run.branches.map((b) => new Lost(circuit, point).along(b.out).along(b.back));
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
