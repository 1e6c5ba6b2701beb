import { itemAt } from "../../present/index.ts";
import { endWords, wiresOf, type Circuit, type WireElement } from "../../circuit/index.ts";
import type { Edit, Job } from "../../job/index.ts";
import { boundsOf, decimal, minus, type Interval } from "../../quantity/index.ts";
import type { Found, Rule } from "../finding.ts";

/** More than this left over has to be stowed somewhere, in m: common practice. */
const STOW_M = 0.5;

interface Held {
  readonly wire: WireElement;
  /** What is left of its length when it has bridged its way, in m. */
  readonly spare: Interval;
}

const heldWires = (circuit: Circuit): Held[] =>
  wiresOf(circuit).flatMap((wire) =>
    wire.bridgesM === null
      ? []
      : [{ wire, spare: minus(boundsOf(wire.lengthM), boundsOf(wire.bridgesM)) }],
  );

const placesOf = (circuit: Circuit, held: readonly Held[]): string =>
  held
    .map(({ wire }) => `${endWords(circuit, wire.from)} to ${endWords(circuit, wire.to)}`)
    .join("; ");

/**
 * Wires with so much left over that it has to be stowed. A harness is one thing, as long as the
 * farthest of its ends wants it: only what that one leaves over is in the way.
 */
function tooLong(name: string, held: readonly Held[]): Held[] {
  if (name === "") return held.filter(({ spare }) => spare.mid >= STOW_M);
  const least = [...held].sort((a, b) => a.spare.mid - b.spare.mid)[0];
  return least && least.spare.mid >= STOW_M ? [least] : [];
}

/** Wires of one harness that miss their way, or wires cut here that do, as one finding. */
function found(job: Job, circuit: Circuit, name: string, held: readonly Held[]): Found[] {
  const short = held.filter(({ spare }) => spare.mid < 0);
  const long = tooLong(name, held);
  const what = name === "" ? "Wire" : name;
  const finding = (
    list: readonly Held[],
    rest: Omit<Found, "rule" | "place" | "figures">,
  ): Found => {
    const worst = itemAt(
      [...list].sort((a, b) => Math.abs(b.spare.mid) - Math.abs(a.spare.mid)),
      0,
    );
    return {
      ...rest,
      rule: "harness-fits",
      place: {
        runId: worst.wire.runId,
        elementId: worst.wire.id,
        words: `${what}: ${placesOf(circuit, list)}`,
      },
      figures: [
        {
          label: "length",
          value: `${decimal(worst.wire.lengthM.value, 2)} m`,
          limit: `${decimal(worst.wire.bridgesM?.value ?? 0, 2)} m to bridge`,
        },
      ],
    };
  };
  const cutHere = short.flatMap(({ wire }): Edit[] => {
    const choice = job.wireChoices.find((c) => c.wire === (wire.id as string));
    return choice ? [{ kind: "remove", entity: "wireChoice", id: choice.id }] : [];
  });
  return [
    ...(short.length > 0
      ? [
          finding(short, {
            severity: short.some(({ spare }) => spare.high < 0) ? "stop" : "fix",
            title: short.some(({ spare }) => spare.high < 0)
              ? "Too short for its route"
              : "Perhaps too short for its route",
            why: "A wire under tension works loose at its terminal. Lengthen it with the same size, crimped and sealed, or place the two ends nearer.",
            remedies: [{ label: "Cut wires of their own instead", edits: cutHere }],
          }),
        ]
      : []),
    ...(long.length > 0
      ? [
          finding(long, {
            severity: "note",
            title: `${decimal(Math.max(...long.map((h) => h.spare.mid)), 1)} m too long: stow it`,
            why: "Its whole length counts in the drop. Lay the excess in a flat loop near the electrics, tied, away from heat and moving parts; never in a tight coil.",
            remedies: [],
          }),
        ]
      : []),
  ];
}

/** Harnesses come as long as they are made: too short does not reach, too long wants a place. */
export const harnessFits: Rule = {
  id: "harness-fits",
  source: "common practice",
  check: ({ job, circuit }) => {
    const held = heldWires(circuit);
    const names = [...new Set(held.map(({ wire }) => wire.harness))];
    return names.flatMap((name) =>
      found(
        job,
        circuit,
        name,
        held.filter(({ wire }) => wire.harness === name),
      ),
    );
  },
};
