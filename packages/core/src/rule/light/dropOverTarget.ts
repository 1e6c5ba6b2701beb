import { rootV } from "../../circuit/index.ts";
import { decimal } from "../../quantity/index.ts";
import { pinWire, setCircuit } from "../../job/index.ts";
import { dropOf } from "../../solve/index.ts";
import { builtCircuits, placeOfCircuit, type Remedy, type Rule } from "../finding.ts";

/** A hair over the target is the target: no meter on a vehicle tells them apart. */
const HAIR = 1.05;
/** Bounds that reach a little over the target trouble nobody; this far over, they are told. */
const NOTED_EXCESS = 1.5;

export const dropOverTarget: Rule = {
  id: "drop-over-target",
  source: "common practice: 3 % for lighting, out and back",
  check: (context) => {
    const { engineOff, worst, job, circuit } = context;
    if (!engineOff || !worst) return [];
    const target = job.practices.dropTarget;
    return builtCircuits(context).flatMap(({ run, made }) => {
      if (made.drawA.mid <= 0) return [];
      const drop = dropOf(circuit, made, engineOff).copper;
      const most = dropOf(circuit, made, worst).copper;
      const sure = drop > target * HAIR;
      if (!sure && most <= target * NOTED_EXCESS) return [];
      const remedies: Remedy[] = [];
      if (run.wire !== null) {
        remedies.push({ label: "Let the drop choose the wire", edits: [pinWire(run.id, null)] });
      }
      if (run.return === "chassis" && sure) {
        remedies.push({
          label: "Run a return wire of its own",
          edits: [setCircuit(run.id, "return", "wire")],
        });
      }
      return [
        {
          rule: "drop-over-target",
          severity: sure ? ("fix" as const) : ("note" as const),
          place: placeOfCircuit(run, made.branches[0]?.load ?? null, "lamp farthest out"),
          title: sure
            ? `Drop of ${decimal(drop * 100)} % in its wires`
            : `Drop may reach ${decimal(most * 100)} % if lengths and draw are at their upper bound`,
          figures: [
            {
              label: "drop",
              value: sure
                ? `${decimal(drop * 100, 2)} % (${decimal(drop * rootV(made.root, engineOff), 2)} V)`
                : `${decimal(drop * 100)}–${decimal(most * 100)} %`,
              limit: `at most ${decimal(target * 100)} %`,
            },
          ],
          why: "Volts lost in wire, out and back, are light lost at the lamp. What fuses and contacts lose beside that no copper buys back.",
          remedies,
        },
      ];
    });
  },
};
