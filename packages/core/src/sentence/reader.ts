import type { Input, Term } from "../job/index.ts";
import type { LoadPart } from "../part/index.ts";
import type { Vehicle } from "../vehicle/index.ts";
import { ARTICLES, feedAt } from "./word/feedAt.ts";
import { FLASHING, isEnds, nothingAhead, type Ahead, type Draft } from "./draft.ts";
import {
  ALWAYS_PHRASES,
  BEFORE_INPUT,
  COUNT_WORDS,
  FILLERS,
  INPUT_PHRASES,
  KIND_WORDS,
  LAMP_INPUT_PHRASES,
  NOT_PHRASES,
  PLACE_PHRASES,
} from "./word/lexicon.ts";
import type { SentenceWorld } from "./said.ts";
import {
  colourOf,
  partAsSaid,
  partFor,
  sortAt,
  sortsIn,
  type AskedLoad,
} from "./word/shelfMatch.ts";
import { longest, matches, tokensOf, type Token } from "./word/token.ts";

/** Reads what is left of a sentence when vehicle, customer and day are out of it. */
export class Reader {
  readonly drafts: Draft[] = [];
  readonly unknown: [from: number, to: number][] = [];
  readonly assumed: string[] = [];
  private ahead = nothingAhead();
  private waiting: { terms: Term[][]; always: boolean } = { terms: [], always: false };
  private negated = false;
  private freshGroup = false;
  private i = 0;

  constructor(
    private readonly tokens: readonly Token[],
    private readonly world: SentenceWorld,
    private readonly vehicle: Vehicle | null,
  ) {}

  private word(at: number): string {
    return this.tokens[at]?.word ?? "";
  }

  private get current(): Draft | undefined {
    return this.drafts.at(-1);
  }

  read(): void {
    while (this.i < this.tokens.length) this.i += this.step();
    this.dropAhead();
  }

  /** Takes what stands here; answers how many tokens it was. */
  private step(): number {
    return (
      this.takeNamedPart() ||
      this.takeAmount() ||
      this.takeRelay() ||
      this.takeSeries() ||
      this.takeFeed() ||
      this.takeNot() ||
      this.takeInputOrLoad() ||
      this.takeAlways() ||
      this.takePlace() ||
      this.takeKind() ||
      this.takeOr() ||
      this.pass()
    );
  }

  private startAhead(): Ahead {
    this.ahead.from ??= this.i;
    return this.ahead;
  }

  /** Numbers and kinds that no load came after are words that were not understood. */
  private dropAhead(): void {
    const { from, watts } = this.ahead;
    const said = watts !== null || this.ahead.kinds.length > 0;
    if (from !== null && (said || /^\d/.test(this.word(from)))) {
      this.unknown.push([from, Math.min(this.i, this.tokens.length)]);
    }
    this.ahead = nothingAhead();
  }

  private begin(
    part: LoadPart,
    asked: AskedLoad | null,
    { name, sorts, plural }: Pick<Draft, "name" | "sorts" | "plural">,
  ): void {
    const { count, place, bothEnds } = this.ahead;
    const { terms, always } = this.waiting;
    this.drafts.push({
      ...{ name, part, asked, sorts, count, plural, place, bothEnds, groups: terms, always },
      ...{ feed: { kind: "usual" }, relay: "auto", series: false },
    });
    this.ahead = nothingAhead();
    this.waiting = { terms: [], always: false };
    [this.negated, this.freshGroup] = [false, false];
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
    this.begin(best.part, null, { name: best.part.name, sorts, plural });
    return best.length;
  }

  /** "two", "a pair of", "40 W": how many, and of what power. */
  private takeAmount(): number {
    const word = this.word(this.i);
    const next = this.word(this.i + 1);
    if (/^\d/.test(word)) {
      if (/^(w|watts?)$/.test(next)) {
        const watts = Number(word);
        const behind = !this.loadFollows(this.i + 2) && this.current?.asked?.watts === null;
        if (behind && this.askFor({ watts })) return 2;
        this.startAhead().watts = watts;
        return 2;
      }
      const counts = /^\d{1,2}$/.test(word) && !/^(v|volts?|a|amps?|mm|cm|m|ah|%)$/.test(next);
      if (!counts) return 0;
      this.startAhead().count = Number(word);
      return next === "x" || next === "×" ? 2 : 1;
    }
    const count = COUNT_WORDS[word];
    if (count === undefined) return 0;
    // "a pair of", "a dozen": the article counts nothing where a number follows.
    if (count === 1 && COUNT_WORDS[next] !== undefined) return 1;
    if (word === "a" || word === "an") {
      // Told apart from one: "a pod with a switch".
      if (this.ahead.count === null && this.loadFollows(this.i + 1)) this.startAhead().count = 1;
      return 1;
    }
    this.startAhead().count = count;
    return 1;
  }

  /** Whether a load is named before anything else is said. */
  private loadFollows(at: number): boolean {
    for (let i = at; i < this.tokens.length; i += 1) {
      if (sortAt(this.tokens, i)) return true;
      const word = this.word(i);
      const before =
        KIND_WORDS.includes(word) ||
        /^(\d+(\.\d+)?|w|watts?|of)$/.test(word) ||
        COUNT_WORDS[word] !== undefined ||
        longest(this.tokens, i, PLACE_PHRASES) !== null;
      if (!before) return false;
    }
    return false;
  }

  private takeRelay(): number {
    for (const [words, relay] of [
      [["with", "a", "relay"], "yes"],
      [["with", "relay"], "yes"],
      [["by", "relay"], "yes"],
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
    return 2;
  }

  private takeFeed(): number {
    const found = this.current ? feedAt(this.tokens, this.i, this.vehicle) : null;
    if (!found || !this.current) return 0;
    this.current.feed = found.meaning;
    return found.length;
  }

  private takeNot(): number {
    const found = longest(this.tokens, this.i, NOT_PHRASES);
    if (!found) return 0;
    this.negated = true;
    return found.length;
  }

  /** Whether "with", "on", "when" and the like stand before a place, articles apart. */
  private isAfterWith(at: number): boolean {
    let i = at - 1;
    if (this.word(i) === "a" || this.word(i) === "an") return false;
    while (ARTICLES.has(this.word(i))) i -= 1;
    return BEFORE_INPUT.has(this.word(i)) || this.negated;
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
      this.startAhead().place = this.word(i) === "left" ? "left" : "right";
      return 1;
    }
    const isInput = input && (!sort || after || input.length > sort.length);
    if (isInput) return this.takeInput(input.meaning, input.length);
    return sort ? this.takeLoad() : 0;
  }

  private takeInput(input: Input, length: number): number {
    this.dropAhead();
    const groups = this.current ? this.current.groups : this.waiting.terms;
    if (groups.length === 0 || this.freshGroup) groups.push([]);
    const group = groups.at(-1);
    if (!group?.some((t) => t.input === input)) group?.push({ input, negated: this.negated });
    this.freshGroup = false;
    // "not with high or low beam": neither of them.
    const next = this.word(this.i + length);
    if (!(this.negated && (next === "or" || next === "nor"))) this.negated = false;
    return length;
  }

  private takeAlways(): number {
    const found = longest(this.tokens, this.i, ALWAYS_PHRASES);
    if (!found) return 0;
    if (this.current) this.current.always = true;
    else this.waiting.always = true;
    return found.length;
  }

  private takeLoad(): number {
    const { tokens, i } = this;
    // "LED work light bar": all sorts that follow each other name one thing.
    let end = i;
    const sorts: string[] = [];
    const called: string[] = [];
    for (let sort = sortAt(tokens, end); sort; sort = sortAt(tokens, end)) {
      sorts.push(sort.meaning.sort);
      called.push(sort.meaning.words);
      end += sort.length;
    }
    const { kinds, watts, from } = this.ahead;
    const flashes = kinds.some((kind) => FLASHING.has(kind));
    const asked = { sorts: [...new Set(sorts)], colour: colourOf(kinds), watts, flashes };
    const found = partFor(asked, this.world.shelf);
    const part = found?.part ?? (watts === null ? null : partAsSaid({ ...asked, watts }));
    const plural = /[^s]s$/.test(this.word(end - 1));
    const said = [...kinds, ...called].join(" ");
    const words = plural && !said.endsWith("s") ? `${said}s` : said;
    if (!part) {
      this.unknown.push([from ?? i, end]);
      this.ahead = nothingAhead();
      return end - i;
    }
    const name = words.charAt(0).toUpperCase() + words.slice(1);
    if (found?.other) {
      this.assumed.push(`${name}: ${part.name}; ${found.other.name} would do as well`);
    }
    if (!found) {
      this.assumed.push(`${name}: not on the shelf; taken as an LED lamp of ${watts} W for 9–32 V`);
    }
    this.begin(part, asked, { name, sorts: asked.sorts, plural });
    return end - i;
  }

  /** What is said of a load after it: "bar, 40 W", "a brake light that flashes". */
  private askFor(more: Partial<AskedLoad>): boolean {
    const { current } = this;
    if (!current?.asked) return false;
    const asked = { ...current.asked, ...more };
    const found = partFor(asked, this.world.shelf)?.part;
    const part =
      found ?? (asked.watts === null ? null : partAsSaid({ ...asked, watts: asked.watts }));
    if (!part) return false;
    [current.asked, current.part] = [asked, part];
    return true;
  }

  private takePlace(): number {
    const found = longest(this.tokens, this.i, PLACE_PHRASES);
    if (!found) return 0;
    const { current } = this;
    if (!current || this.loadFollows(this.i + found.length)) {
      const { place } = this.startAhead();
      // "front and rear turn lamps": one of each, on either side.
      this.ahead.bothEnds ||= isEnds(place, found.meaning);
      this.ahead.place = found.meaning;
      return found.length;
    }
    if (current.place !== null && current.place !== found.meaning) {
      current.bothEnds ||= isEnds(current.place, found.meaning);
      if (!current.bothEnds || !current.sorts.includes("turn")) return 0;
    }
    current.place = found.meaning;
    return found.length;
  }

  private takeKind(): number {
    const word = this.word(this.i);
    if (!KIND_WORDS.includes(word)) return 0;
    if (this.loadFollows(this.i + 1)) {
      this.startAhead().kinds.push(word);
      return 1;
    }
    const colour = colourOf([word]);
    if (colour) return this.askFor({ colour }) ? 1 : 0;
    if (FLASHING.has(word)) return this.askFor({ flashes: true }) ? 1 : 0;
    return /^leds?$/.test(word) && this.current ? 1 : 0;
  }

  private takeOr(): number {
    if (this.word(this.i) !== "or" && this.word(this.i) !== "nor") return 0;
    if (!this.negated) this.freshGroup = true;
    return 1;
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
