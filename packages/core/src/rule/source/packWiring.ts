import { decimal } from "../../quantity/index.ts";
import { elementsOf } from "../../circuit/index.ts";
import { setCircuit } from "../../job/index.ts";
import { builtCircuits, placeOfCircuit, type Found, type Rule } from "../finding.ts";

/** Above this a person feels it: limit for dry skin, IEC 60364-4-41 (from memory). */
const TOUCH_V = 60;

/** What a pack's voltage asks of wiring that 12 V does not. */
export const packWiring: Rule = {
  id: "pack-wiring",
  source: "common practice; IEC 60364-4-41 for the touch voltage (from memory)",
  check: (context) => {
    const { system } = context.job.vehicle;
    const made: Found[] = [];
    if (system.kind === "engine") return made;
    for (const { run, made: circuit } of builtCircuits(context)) {
      if (system.kind === "pack" && run.return === "chassis") {
        made.push({
          rule: "pack-wiring",
          severity: "fix",
          place: placeOfCircuit(run, circuit.back[0] ?? null, "return"),
          title: "The frame is not this pack's negative",
          figures: [],
          why: "On a traction pack the frame floats: a return through it does not work, or makes the frame live. Run a wire of its own.",
          remedies: [
            {
              label: "Run a return wire of its own",
              edits: [setCircuit(run.id, "return", "wire")],
            },
          ],
        });
      }
      if (circuit.root.kind !== "pack") continue;
      for (const coil of elementsOf(
        context.circuit,
        circuit.coil?.lanes.flatMap((l) => l.ids) ?? [],
        "coil",
      )) {
        const volts = system.pack.nominalV * circuit.root.share;
        if (coil.part.coilV > volts * 0.7 && coil.part.coilV < volts * 1.4) continue;
        made.push({
          rule: "pack-wiring",
          severity: "stop",
          place: placeOfCircuit(run, coil.id, coil.part.name),
          title: "The coil is made for another voltage",
          figures: [
            {
              label: "coil",
              value: `${decimal(coil.part.coilV, 0)} V`,
              limit: `about ${decimal(volts, 0)} V`,
            },
          ],
          why: "A coil on several times its voltage burns; on a fraction of it never pulls in.",
          remedies: [],
        });
      }
    }
    const highV = system.pack.topOfChargeV.high;
    const onPack =
      context.circuit.runs.some((r) => r.root.kind === "pack") ||
      context.circuit.feeders.some((t) => t.feedRoot.kind === "pack");
    if (onPack && highV > TOUCH_V) {
      made.push({
        rule: "pack-wiring",
        severity: "note",
        place: { runId: null, elementId: null, words: "Everything across the pack" },
        title: `Dangerous to touch: ${decimal(Math.ceil(highV), 0)} V direct`,
        figures: [
          {
            label: "full pack",
            value: `${decimal(highV)} V`,
            limit: `${TOUCH_V} V`,
          },
        ],
        why: "Isolate the pack before anything is touched, cover one post, one hand, no rings. Work above this voltage is for those who are trained for it.",
        remedies: [],
      });
    }
    return made;
  },
};
