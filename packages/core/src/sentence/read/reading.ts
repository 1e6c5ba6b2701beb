import type { Term } from "../../job/index.ts";
import type { LoadPart } from "../../part/index.ts";
import type { Vehicle } from "../../vehicle/index.ts";
import { nothingAhead, type Ahead, type Draft } from "./draft.ts";
import { COUNT_WORDS, KIND_WORDS, PLACE_PHRASES, STANDS_FOR, isLed } from "../word/lexicon.ts";
import { partAsSaid, takenAs } from "../word/partAsSaid.ts";
import type { SentenceWorld } from "../said.ts";
import {
  colourOf,
  partFor,
  sortAt,
  wattsAsked,
  wattsOf,
  type AskedLoad,
} from "../word/shelfMatch.ts";
import { longest, matches, tokensOf, type Token } from "../word/token.ts";
import { titled } from "../word/titled.ts";

/** Watts that differ by no more than this share are the same, rounded. */
const ROUNDED = 0.02;

/** How far a sentence has been read: the circuits so far, and what was said of one to come. */
export class Reading {
  readonly drafts: Draft[] = [];
  readonly unknown: [from: number, to: number][] = [];
  protected ahead = nothingAhead();
  protected waiting: { terms: Term[][]; always: boolean } = { terms: [], always: false };
  /** Where what stands in `waiting` was said. */
  protected readonly waitingAt: [from: number, to: number][] = [];
  protected negated = false;
  protected freshGroup = false;
  protected i = 0;

  constructor(
    protected readonly tokens: readonly Token[],
    protected readonly world: SentenceWorld,
    protected readonly vehicle: Vehicle | null,
  ) {}

  protected word(at: number): string {
    return this.tokens[at]?.word ?? "";
  }

  protected get current(): Draft | undefined {
    return this.drafts.at(-1);
  }

  protected startAhead(): Ahead {
    this.ahead.from ??= this.i;
    return this.ahead;
  }

  /** Numbers and kinds that no load came after are words that were not understood. */
  protected dropAhead(): void {
    const { from, watts, volts, amps } = this.ahead;
    const said = (watts ?? volts ?? amps) !== null || this.ahead.kinds.length > 0;
    if (from !== null && (said || /^\d/.test(this.word(from)))) {
      this.unknown.push([from, Math.min(this.i, this.tokens.length)]);
    }
    this.ahead = nothingAhead();
  }

  protected begin(
    part: LoadPart,
    asked: AskedLoad | null,
    { name, sorts, plural, told }: Pick<Draft, "name" | "sorts" | "plural" | "told">,
  ): void {
    const { count, place, bothEnds, bothSides, replaces, gone } = this.ahead;
    const { terms, always } = this.waiting;
    this.drafts.push({
      ...{ name, part, asked, told, count, plural, place, bothEnds, groups: terms, always },
      ...{ sorts: [...sorts, ...gone], eachSide: false, lengthM: 0 },
      ...{ feed: { kind: "usual" }, relay: "auto", series: false, bothSides },
      replaces: replaces ? "splice" : null,
      dim: false,
    });
    this.ahead = nothingAhead();
    this.waiting = { terms: [], always: false };
    this.waitingAt.length = 0;
    [this.negated, this.freshGroup] = [false, false];
  }

  /** Whether a load is named before anything else is said. */
  protected loadFollows(at: number): boolean {
    for (let i = at; i < this.tokens.length; i += 1) {
      if (sortAt(this.tokens, i)) return true;
      const word = this.word(i);
      const before =
        KIND_WORDS.includes(word) ||
        /^(\d+(\.\d+)?|w|watts?|v|volts?|amps?|a|of)$/.test(word) ||
        COUNT_WORDS[word] !== undefined ||
        longest(this.tokens, i, PLACE_PHRASES) !== null;
      if (!before) return false;
    }
    return false;
  }

  /** What a load was taken as, where it is not quite what was said; null where nothing is near. */
  protected pick(
    name: string,
    asked: AskedLoad,
  ): { readonly part: LoadPart; readonly told: readonly string[] } | null {
    const found = partFor(asked, this.world.shelf);
    const part = found?.part ?? partAsSaid(asked);
    if (!part) {
      const as = asked.sorts.map((sort) => STANDS_FOR[sort] ?? sort);
      if (as.join() === asked.sorts.join()) return null;
      const near = this.pick(name, { ...asked, sorts: as });
      return near && { ...near, told: [`${name}: ${near.part.name}, for the shelf has none`] };
    }
    if (!found)
      return { part, told: [`${name}: not on the shelf; taken as ${takenAs(part, asked)}`] };
    const [wanted, has] = [wattsAsked(asked), wattsOf(part)];
    const said = asked.amps === null ? `${asked.watts} W` : `${asked.amps} A`;
    // One that is called so and measured to be a little less is the one that was said.
    const called = matches(tokensOf(part.name), 0, said.toLowerCase().split(" ")) > 0;
    const off = wanted !== null && has !== null && Math.abs(has / wanted - 1) > ROUNDED;
    const told = [
      ...(found.other ? [`${part.name}; ${found.other.name} would do as well`] : []),
      ...(off && !called ? [`${part.name} is the nearest to ${said} on the shelf`] : []),
      ...(asked.flashes && part.behaviour === null
        ? [`${part.name} does not flash by itself, and nothing on the shelf that would do does`]
        : []),
    ];
    return { part, told: told.map((words) => `${name}: ${words}`) };
  }

  /** What is said of a load after it: "bar, 40 W", "a brake light that flashes". */
  protected askFor(more: Partial<AskedLoad>): boolean {
    const { current } = this;
    if (!current?.asked) return false;
    const asked = { ...current.asked, ...more };
    const picked = this.pick(current.name, asked);
    if (!picked) return false;
    current.asked = asked;
    [current.part, current.told] = [picked.part, picked.told];
    return true;
  }

  /** "replace the tail light with LED": what comes is of the sort of what goes. */
  protected takeReplacing(): void {
    const { replaces, gone, kinds, watts, volts, amps } = this.ahead;
    if (!replaces || gone.length === 0) return;
    const name = `${kinds.join(" ")} ${gone[0]}`.trim();
    const asked: AskedLoad = {
      ...{ sorts: gone, colour: colourOf(kinds), watts, volts, amps, flashes: false },
      ...{ filament: false, led: kinds.some(isLed), series: false },
    };
    const title = titled(name);
    const picked = this.pick(title, asked);
    if (!picked) return;
    this.begin(picked.part, asked, { name: title, sorts: gone, plural: false, told: picked.told });
  }
}
