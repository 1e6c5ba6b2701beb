import { decimal } from "../../quantity/index.ts";
import { elementsOf } from "../../circuit/index.ts";
import { setSupply, type Supply } from "../../job/index.ts";
import type { ConverterPart } from "../../part/index.ts";
import { packRangeV } from "../../source/index.ts";
import { ownerOf } from "../../synthesis/index.ts";
import type { Found, Rule, RuleContext } from "../finding.ts";

/** Loaded beyond this share of its rating a converter runs hot: common practice. */
const MARGIN = 0.8;
/** A cold filament takes so many times its current for a moment: IES Lighting Handbook (m). */
const INRUSH = 8;

interface Fitted {
  readonly supply: Supply;
  readonly part: ConverterPart;
}

function converters({ job }: RuleContext): Fitted[] {
  return job.supplies.flatMap((supply) => {
    const part = job.parts.find((p) => p.id === supply.partId);
    return part?.kind === "converter" ? [{ supply, part }] : [];
  });
}

const found = (
  { supply, part }: Fitted,
  severity: Found["severity"],
  title: string,
  figures: Found["figures"],
  why: string,
  remedies: Found["remedies"] = [],
): Found => ({
  rule: "converter-fits",
  severity,
  place: { runId: ownerOf(supply.id), elementId: null, words: `${supply.name}: ${part.name}` },
  title,
  figures,
  why,
  remedies,
});

function checkInput(context: RuleContext, fitted: Fitted): Found[] {
  const { system } = context.job.vehicle;
  const { supply, part } = fitted;
  if (system.kind === "engine" || (supply.feed.kind !== "pack" && supply.feed.kind !== "block")) {
    return [];
  }
  const share = supply.feed.kind === "block" ? supply.feed.blocks / system.pack.blocks : 1;
  const range = packRangeV(system.pack);
  const [lowV, highV] = [range.lowV * share, range.highV * share];
  const made: Found[] = [];
  if (part.inMaxV < highV) {
    made.push(
      found(
        fitted,
        "stop",
        "The charger gives more than this converter bears",
        [
          {
            label: "input bears",
            value: `${decimal(part.inMaxV)} V`,
            limit: `${decimal(highV)} V or more`,
          },
        ],
        "The pack's name is not what the meter shows: straight off the charger it is well above. A converter beyond its input dies, often shorted.",
      ),
    );
  }
  if (part.inMinV > lowV) {
    made.push(
      found(
        fitted,
        "note",
        `Lights go out before the pack is empty, at ${decimal(part.cutOffV)} V`,
        [
          {
            label: "input from",
            value: `${decimal(part.inMinV)} V`,
            limit: `${decimal(lowV)} V when empty`,
          },
        ],
        "It spares the pack, and it leaves the rider dark with the motor still turning: know it beforehand.",
      ),
    );
  }
  return made;
}

function checkOutput(context: RuleContext, fitted: Fitted): Found[] {
  const { part, supply } = fitted;
  const feeder = context.circuit.feeders.find((t) => t.ownerId === ownerOf(supply.id));
  if (!feeder) return [];
  const drawA = feeder.drawA.mid;
  const made: Found[] = [];
  if (drawA > part.outA * MARGIN) {
    const over = drawA > part.outA;
    made.push(
      found(
        fitted,
        over ? "stop" : "fix",
        over ? "More than this converter gives" : "Little left in this converter",
        [
          {
            label: "everything on",
            value: `${decimal(drawA)} A`,
            limit: `at most ${decimal(over ? part.outA : part.outA * MARGIN)} A`,
          },
        ],
        over
          ? "It gives way and turns itself off when everything is on together: in the dark, all at once."
          : "Near its rating it runs hot, and the next lamp has no room.",
      ),
    );
  }
  const behind = context.circuit.runs.filter((run) =>
    run.feedShared.some((id) => feeder.path.includes(id)),
  );
  const inrushA = behind.flatMap((run) =>
    elementsOf(
      context.circuit,
      run.branches.map((b) => b.load),
      "load",
    ).map((load) =>
      load.part.load.kind === "filament"
        ? (INRUSH * load.part.load.powerW.value) / load.part.load.ratedV
        : 0,
    ),
  );
  const surgeA = drawA + Math.max(0, ...inrushA);
  if (surgeA > part.surgeA) {
    made.push(
      found(
        fitted,
        "fix",
        "A cold bulb may trip this converter",
        [
          {
            label: "for a moment",
            value: `${decimal(surgeA)} A`,
            limit: `at most ${decimal(part.surgeA)} A`,
          },
        ],
        "A filament takes eight times its current until it glows.",
      ),
    );
  }
  return made;
}

/** Whether a feed is dead with the key out: a factory wire that is live with something. */
function isParted({ job }: RuleContext, { feed }: Supply): boolean {
  if (feed.kind !== "pin") return false;
  const pin = job.vehicle.pins.find((p) => p.id === feed.pinId);
  return pin !== undefined && pin.liveWhen !== "always" && pin.liveWhen !== "unknown";
}

function checkGate(context: RuleContext, fitted: Fitted): Found[] {
  const { part, supply } = fitted;
  if (supply.gate !== "always" || part.idleA.value <= 0 || isParted(context, supply)) return [];
  return [
    found(
      fitted,
      "fix",
      "The converter draws while it is parked",
      [
        {
          label: "idle",
          value: `${decimal(part.idleA.value * 1000, 0)} mA`,
          limit: "0 when parked",
        },
      ],
      "Switched on its output only, it idles at tens of milliamps day and night. Part its input instead.",
      [
        {
          label: "Make its input live when the key is on",
          edits: [setSupply(supply.id, "gate", "key")],
        },
        { label: "Put a switch in its input", edits: [setSupply(supply.id, "gate", "switch")] },
      ],
    ),
  ];
}

/** Input range, output with margin and surge, idle draw, and the place it can bear. */
export const converterFits: Rule = {
  id: "converter-fits",
  source: "common practice; filament inrush after the IES Lighting Handbook (from memory)",
  check: (context) =>
    converters(context).flatMap((fitted) => [
      ...checkInput(context, fitted),
      ...checkOutput(context, fitted),
      ...checkGate(context, fitted),
      ...(context.job.practices.ambientC > fitted.part.mostAmbientC
        ? [
            found(
              fitted,
              "fix",
              "Hotter here than this converter bears",
              [
                {
                  label: "surroundings",
                  value: `${decimal(context.job.practices.ambientC, 0)} °C`,
                  limit: `at most ${decimal(fitted.part.mostAmbientC, 0)} °C`,
                },
              ],
              "It gives less when it is hot, or turns itself off. Mount it where air reaches it.",
            ),
          ]
        : []),
      ...(fitted.part.sealed
        ? []
        : [
            found(
              fitted,
              "note",
              "Keep this converter dry",
              [],
              "It is not sealed: under a seat or a lid, terminals down, off the floor.",
            ),
          ]),
    ]),
};
