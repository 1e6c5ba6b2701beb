import { allOf, type Input, type Lamp } from "../job/index.ts";
import type { Draft } from "./read/draft.ts";
import type { SaidCircuit } from "./said.ts";

const REAR: ReadonlySet<string> = new Set(["brake", "tail", "reverse"]);

/** When a load is on where nobody said: by its sort, as most are wired (common practice). */
function usualOf({ sorts, part }: Draft): readonly Input[] {
  if (part.family === "horn") return ["horn"];
  if (part.family === "outlet" || part.family === "heater") return ["key"];
  if (sorts.includes("brake")) return ["brake"];
  if (sorts.includes("tail")) return ["park"];
  if (sorts.includes("headlight")) return ["low"];
  if (sorts.includes("reverse")) return ["reverse"];
  return ["switch", "key"];
}

/** What is seen from behind when it is on. */
const BEHIND: ReadonlySet<Input> = new Set(["brake", "lever", "pedal", "reverse"]);

/** Where a load sits where nobody said: by its sort, and by what turns it on. */
function usualPlace({ sorts, part }: Draft, inputs: readonly Input[]): Lamp["place"] {
  const seen = part.family === "lamp" && inputs.some((input) => BEHIND.has(input));
  if (seen || sorts.some((s) => REAR.has(s))) return "rear";
  return sorts.includes("outlet") || sorts.includes("heater") ? "inside" : "front";
}

/** Where a circuit's lamps sit: all at one place, or half of them at another. */
function placesOf(
  draft: Draft,
  inputs: readonly Input[],
  count: number,
): Pick<SaidCircuit, "place" | "second"> {
  if (count > 1 && (draft.bothSides || draft.eachSide)) return { place: "left", second: "right" };
  if (count > 1 && draft.bothEnds) return { place: "front", second: "rear" };
  return { place: draft.place ?? usualPlace(draft, inputs), second: null };
}

const INPUT_OF_SIDE = { left: "left", right: "right" } as const;

/** A lamp of two levels that is asked to be both: bright on the brake, dim with the park light. */
const isBrakeAndTail = ({ sorts, part }: Draft): boolean =>
  part.dim !== null && sorts.includes("brake") && sorts.includes("tail");

const twoLevels = (
  base: Omit<SaidCircuit, "name" | "condition">,
  plural: boolean,
): SaidCircuit[] => {
  const s = plural ? "s" : "";
  return [
    { ...base, name: `Brake light${s}`, condition: allOf("brake") },
    { ...base, name: `Tail light${s}`, condition: allOf("park"), dim: true },
  ];
};

/** Finishes a draft: turn lamps of which no side was said are one circuit a side. */
export function circuitsOf(draft: Draft, assumed: string[]): SaidCircuit[] {
  assumed.push(...draft.told);
  const { name, part, feed, relay, series, replaces } = draft;
  // "Heated grips, pair" is one thing of two.
  const whole = /\b(pair|twin|set)\b/i.test(part.name);
  const split = draft.bothSides || draft.bothEnds;
  const plain = draft.plural && !whole && !draft.eachSide ? 2 : 1;
  const number = draft.count ?? plain;
  // "one in front and one behind", "two each side": what is said is said of either place.
  const count = draft.eachSide || (split && number === 1) ? 2 * number : number;
  const { dim, lengthM } = draft;
  const base = { part, feed, relay, series, replaces, second: null, lengthM, dim };
  const said = draft.groups.filter((g) => g.length > 0);
  const inputs = said.flat().flatMap((t) => (t.negated ? [] : [t.input]));
  const turns = draft.sorts.includes("turn") && !inputs.some((x) => x === "left" || x === "right");
  if (turns && said.length === 0) {
    const sides =
      !draft.bothSides && !draft.eachSide && (draft.place === "left" || draft.place === "right")
        ? [draft.place]
        : (["left", "right"] as const);
    if (draft.place === "front" && !draft.bothEnds) {
      // A lamp at a side counts as one that is seen from behind.
      assumed.push(`${name}: planned by their sides; say on the bench that they sit in front`);
    }
    const all = draft.count === null && draft.bothEnds ? 2 * sides.length : number;
    const each = draft.eachSide ? number : Math.max(1, Math.round(all / sides.length));
    return sides.map((side) => ({
      ...base,
      name: side === "left" ? "Left turn" : "Right turn",
      count: each,
      place: side,
      condition: allOf(INPUT_OF_SIDE[side]),
    }));
  }
  const usual = usualOf(draft);
  if (said.length === 0 && !draft.always && isBrakeAndTail(draft)) {
    return twoLevels({ ...base, count, ...placesOf(draft, ["brake"], count) }, draft.plural);
  }
  const one = { ...base, name, count, ...placesOf(draft, inputs, count) };
  if (said.length > 0) {
    // Off with something says nothing of what turns it on.
    const anyOf = said.map((group) =>
      group.every((t) => t.negated) && !draft.always
        ? [...(allOf(...usual).anyOf[0] ?? []), ...group]
        : group,
    );
    return [{ ...one, condition: { anyOf } }];
  }
  if (draft.always) return [{ ...one, condition: { anyOf: [[]] } }];
  if (usual.includes("switch")) {
    assumed.push(`${name}: own switch with the key, as nobody said what turns it on`);
  }
  return [{ ...one, condition: allOf(...usual) }];
}

/** Circuits of one name are told apart by a number. */
export function distinct(circuits: readonly SaidCircuit[]): SaidCircuit[] {
  const seen = new Map<string, number>();
  return circuits.map((circuit) => {
    const n = (seen.get(circuit.name) ?? 0) + 1;
    seen.set(circuit.name, n);
    return n === 1 ? circuit : { ...circuit, name: `${circuit.name} ${n}` };
  });
}
