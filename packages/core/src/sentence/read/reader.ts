import type { LoadPart } from "../../part/index.ts";
import { feedAt } from "../word/feedAt.ts";
import { FLASHING, isEnds, isSides } from "./draft.ts";
import { Loads } from "./loads.ts";
import {
  COUNT_WORDS,
  BOTH_ENDS_PHRASES,
  BOTH_SIDES_PHRASES,
  EACH_SIDE_PHRASES,
  FILLERS,
  isLed,
  INPUT_PHRASES,
  KIND_WORDS,
  LAMP_INPUT_PHRASES,
  PLACE_PHRASES,
  SAME_HOUSING_PHRASES,
} from "../word/lexicon.ts";
import { amountAt } from "../word/amountAt.ts";
import { replaceAt } from "../word/replaceAt.ts";
import { colourOf, sortAt, sortsIn } from "../word/shelfMatch.ts";
import { longest, matches, tokensOf } from "../word/token.ts";

/** Metres of a unit of length. */
const LENGTH_UNITS: Readonly<Record<string, number>> = {
  ...{ m: 1, metre: 1, metres: 1, meter: 1, meters: 1, cm: 0.01 },
};

/** Reads what is left of a sentence when vehicle, customer and day are out of it. */
export class Reader extends Loads {
  read(): void {
    while (this.i < this.tokens.length) this.i += this.step();
    this.takeReplacing();
    this.dropAhead();
    // What nothing came after turns nothing on: "hazards on the quad".
    this.unknown.push(...this.waitingAt);
  }

  /** Takes what stands here; answers how many tokens it was. */
  private step(): number {
    return (
      this.takeNamedPart() ||
      this.takeReplace() ||
      this.takeEachSide() ||
      this.takeBoth() ||
      this.takeSameHousing() ||
      this.takeOnes() ||
      this.takeShared() ||
      this.takeLength() ||
      this.takeAmount() ||
      this.takeJoint() ||
      this.takeRelay() ||
      this.takeSeries() ||
      this.takeFeed() ||
      this.takeNot() ||
      this.takeInputOrLoad() ||
      this.takeButton() ||
      this.takeAlways() ||
      this.takePlace() ||
      this.takeKind() ||
      this.takeOr() ||
      this.pass()
    );
  }

  /** A part by its whole name on the shelf. */
  private takeNamedPart(): number {
    let best: { part: LoadPart; length: number } | null = null;
    for (const part of this.world.shelf) {
      if (part.kind !== "load") continue;
      const words = tokensOf(part.name).map((t) => t.word);
      const length = words.length > 1 ? matches(this.tokens, this.i, words) : 0;
      if (length > (best?.length ?? 0)) best = { part, length };
    }
    if (!best) return 0;
    const last = this.tokens[this.i + best.length - 1];
    const sorts = sortsIn(tokensOf(best.part.name));
    const plural = last !== undefined && /[^s]s$/.test(last.word);
    this.begin(best.part, null, { name: best.part.name, sorts, plural, told: [] });
    return best.length;
  }

  /** "in place of the bulbs", "replace the bulbs with": what is planned takes a factory lamp's place. */
  private takeReplace(): number {
    const found = replaceAt(this.tokens, this.i, this.current !== undefined);
    if (!found) return 0;
    if (found.comesAfter) {
      this.startAhead().replaces = true;
      this.ahead.gone = found.gone;
      this.ahead.count ??= found.count;
      this.ahead.place ??= found.place;
    } else if (this.current) {
      this.current.replaces ??= "splice";
      this.current.sorts = [...this.current.sorts, ...found.gone];
      this.current.place ??= found.place;
    }
    return found.length;
  }

  /** How it joins the wires of the lamp that goes: "by adapters", "plug and play". */
  private takeJoint(): number {
    for (const [words, joint] of [
      ["by adapter", "adapter"],
      ["with adapter", "adapter"],
      ["with an adapter", "adapter"],
      ["plug and play", "plug"],
      ["by their plug", "plug"],
      ["adapter", "adapter"],
      ["by plug", "plug"],
      ["plugged in", "plug"],
      ["spliced", "splice"],
    ] as const) {
      const length = matches(this.tokens, this.i, words.split(" "));
      if (!this.current?.replaces || length === 0) continue;
      this.current.replaces = joint;
      return length;
    }
    return 0;
  }

  /** "two", "a pair of", "40 W", "12 V": how many, and of what power. */
  private takeAmount(): number {
    const amount = amountAt(this.tokens, this.i);
    // "a three way switch" counts nothing.
    if (!amount || longest(this.tokens, this.i, INPUT_PHRASES)) return 0;
    const { of, value, length } = amount;
    if (of !== "count") {
      const behind = !this.loadFollows(this.i + length) && this.current?.asked?.[of] === null;
      if (behind && this.askFor({ [of]: value })) return length;
      this.startAhead()[of] = value;
      return length;
    }
    const word = this.word(this.i);
    if (/^\d/.test(word)) {
      // "spot pods 2x30W": so many of what was just named.
      const times = length > 1 && !this.loadFollows(this.i + length);
      if (times && this.current?.count === null) this.current.count = value;
      else this.startAhead().count = value;
      return length;
    }
    // "a pair of", "a dozen": the article counts nothing where a number follows.
    if (value === 1 && COUNT_WORDS[this.word(this.i + 1)] !== undefined) return 1;
    if (word === "a" || word === "an") {
      // Told apart from one: "a pod with a switch".
      if (this.ahead.count === null && this.loadFollows(this.i + 1)) this.startAhead().count = 1;
      return 1;
    }
    // "rock lights, four, on a switch"
    const behind = this.current?.plural && this.current.count === null && value > 1;
    if (behind && !this.loadFollows(this.i + 1)) this.current.count = value;
    else this.startAhead().count = value;
    return 1;
  }

  private takeRelay(): number {
    for (const [words, relay] of [
      [["with", "a", "relay"], "yes"],
      [["with", "relay"], "yes"],
      [["by", "relay"], "yes"],
      [["on", "a", "relay"], "yes"],
      [["through", "a", "relay"], "yes"],
      [["via", "a", "relay"], "yes"],
      [["without", "a", "relay"], "no"],
      [["without", "relay"], "no"],
      [["no", "relay"], "no"],
    ] as const) {
      if (!this.current || matches(this.tokens, this.i, words) === 0) continue;
      this.current.relay = relay;
      return words.length;
    }
    return 0;
  }

  private takeSeries(): number {
    if (!this.current || matches(this.tokens, this.i, ["in", "series"]) === 0) return 0;
    this.current.series = true;
    // Lamps with a driver do not share a string: others of their kind may.
    this.askFor({ series: true });
    return 2;
  }

  private takeFeed(): number {
    const found = this.current ? feedAt(this.tokens, this.i, this.vehicle) : null;
    if (!found || !this.current) return 0;
    this.current.feed = found.meaning;
    return found.length;
  }

  /** What turns it on, or what is turned on: "with the brake light" and "a brake light". */
  private takeInputOrLoad(): number {
    const { tokens, i } = this;
    const after = this.isAfterWith(i) && this.ahead.count === null && this.ahead.watts === null;
    const plain = longest(tokens, i, INPUT_PHRASES);
    const ofLamp = after ? longest(tokens, i, LAMP_INPUT_PHRASES) : null;
    const input = (ofLamp?.length ?? 0) > (plain?.length ?? 0) ? ofLamp : plain;
    const sort = sortAt(tokens, i);
    const sideOfTurn =
      !after &&
      /^(left|right)$/.test(this.word(i)) &&
      sortAt(tokens, i + 1)?.meaning.sort === "turn";
    if (sideOfTurn) {
      const side = this.word(i) === "left" ? "left" : "right";
      const { place } = this.startAhead();
      this.ahead.bothSides ||= isSides(place, side);
      this.ahead.place = side;
      return 1;
    }
    const isInput = input && (!sort || after || input.length > sort.length);
    if (isInput) return this.takeInput(input.meaning, input.length);
    return sort ? this.takeLoad() : 0;
  }

  /** "2 m", "50 cm" of a strip that is sold by the metre. */
  private takeLength(): number {
    const value = Number(this.word(this.i));
    const unit = LENGTH_UNITS[this.word(this.i + 1)];
    const { current } = this;
    if (!(value > 0) || unit === undefined || !current?.sorts.includes("strip")) return 0;
    const light = current.asked?.colour ?? current.part.light;
    const byMetre = this.world.shelf.find(
      (part) => part.kind === "load" && part.load.kind === "ledStrip" && part.light === light,
    );
    if (byMetre?.kind !== "load") return 0;
    [current.part, current.told, current.lengthM] = [byMetre, [], value * unit];
    return 2;
  }

  private takeEachSide(): number {
    const each = this.current && longest(this.tokens, this.i, EACH_SIDE_PHRASES);
    if (!this.current || !each) return 0;
    this.current.eachSide = true;
    return each.length;
  }

  /** "both sides", "all round": of what was named, or of what comes. */
  private takeBoth(): number {
    const sides = longest(this.tokens, this.i, BOTH_SIDES_PHRASES);
    const ends = longest(this.tokens, this.i, BOTH_ENDS_PHRASES);
    const found = sides ?? ends;
    if (!found) return 0;
    const follows = this.loadFollows(this.i + found.length);
    const of = this.current && !follows ? this.current : this.startAhead();
    of.bothSides ||= sides !== null;
    of.bothEnds ||= ends !== null;
    return found.length;
  }

  private takeSameHousing(): number {
    const found = longest(this.tokens, this.i, SAME_HOUSING_PHRASES);
    if (!found || !this.current || this.drafts.length < 2) return 0;
    this.current.dim = true;
    return found.length;
  }

  /** "with LED ones": they are of the sort of what goes. */
  private takeOnes(): number {
    if (!/^ones?$/.test(this.word(this.i)) || !this.ahead.replaces) return 0;
    const before = this.drafts.length;
    this.takeReplacing();
    return this.drafts.length > before ? 1 : 0;
  }

  private takePlace(): number {
    const found = longest(this.tokens, this.i, PLACE_PHRASES);
    if (!found) return 0;
    const { current } = this;
    if (!current || this.loadFollows(this.i + found.length)) {
      const { place } = this.startAhead();
      // "front and rear turn lamps": one of each, on either side.
      this.ahead.bothEnds ||= isEnds(place, found.meaning);
      this.ahead.bothSides ||= isSides(place, found.meaning);
      this.ahead.place = found.meaning;
      return found.length;
    }
    if (current.place !== null && current.place !== found.meaning) {
      current.bothEnds ||= isEnds(current.place, found.meaning);
      current.bothSides ||= isSides(current.place, found.meaning);
      if (!current.bothEnds && !current.bothSides) return 0;
    }
    current.place = found.meaning;
    return found.length;
  }

  private takeKind(): number {
    const word = this.word(this.i);
    if (!KIND_WORDS.includes(word)) return 0;
    if (this.loadFollows(this.i + 1) || this.ahead.replaces) {
      this.startAhead().kinds.push(word);
      return 1;
    }
    const colour = colourOf([word]);
    if (colour) return this.askFor({ colour }) ? 1 : 0;
    const isFlasher = word !== "flasher" || this.current?.sorts.includes("brake") === true;
    if (FLASHING.has(word) && isFlasher) return this.askFor({ flashes: true }) ? 1 : 0;
    return isLed(word) && this.current ? 1 : 0;
  }

  private pass(): number {
    const word = this.word(this.i);
    if (word === ",") this.negated = false;
    if (FILLERS.has(word)) return 1;
    const last = this.unknown.at(-1);
    if (last?.[1] === this.i) last[1] = this.i + 1;
    else this.unknown.push([this.i, this.i + 1]);
    return 1;
  }
}
