import { itemAt } from "../../present/index.ts";
import { FLASHING, nothingAhead } from "./draft.ts";
import { Conditions } from "./conditions.ts";
import { amountAt } from "../word/amountAt.ts";
import { FILAMENT_WORDS, isLed } from "../word/lexicon.ts";
import { colourOf, sortAt, type AskedLoad } from "../word/shelfMatch.ts";
import { titled } from "../word/titled.ts";

/** Reads what is to be lit, sounded or heated. */
export class Loads extends Conditions {
  protected takeLoad(): number {
    const { tokens } = this;
    // "LED work light bar": all sorts that follow each other name one thing.
    let end = this.i;
    const sorts: string[] = [];
    const called: string[] = [];
    for (let sort = sortAt(tokens, end); sort; sort = sortAt(tokens, end)) {
      sorts.push(sort.meaning.sort);
      called.push(sort.meaning.words);
      end += sort.length;
    }
    return this.load({ sorts, called, end });
  }

  /** Begins a circuit of what was named up to a place; answers how many tokens it was. */
  private load({
    sorts,
    called,
    end,
  }: {
    readonly sorts: readonly string[];
    readonly called: readonly string[];
    readonly end: number;
  }): number {
    const { i } = this;
    const { kinds, from, gone } = this.ahead;
    // A plain lamp that takes another's place is one of its sort.
    const plain = sorts.every((sort) => sort === "lamp" || sort === "bulb");
    const { length, ...amounts } = this.amountsBehind(end);
    const asked: AskedLoad = {
      ...{ sorts: [...new Set(plain ? [...gone, ...sorts] : sorts)], colour: colourOf(kinds) },
      ...amounts,
      flashes: kinds.some((kind) => FLASHING.has(kind)),
      led: kinds.some(isLed),
      filament: sorts.includes("bulb") || kinds.some((kind) => FILAMENT_WORDS.has(kind)),
      series: false,
    };
    const plural = /[^s]s$/.test(this.word(end - 1));
    const said = [...kinds, ...called].join(" ");
    const words = plural && !said.endsWith("s") ? `${said}s` : said;
    const name = titled(words);
    const picked = this.pick(name, asked);
    if (!picked) {
      this.unknown.push([from ?? i, end]);
      this.ahead = nothingAhead();
      return end - i;
    }
    this.begin(picked.part, asked, { name, sorts: asked.sorts, plural, told: picked.told });
    return end + length - i;
  }

  /** "lamps of 10 W", "a bar, 12 V": what was said before a load, and what stands right behind it. */
  private amountsBehind(end: number) {
    const { watts, volts, amps } = this.ahead;
    const amounts = { watts, volts, amps };
    const of = this.word(end) === "of" || this.word(end) === "with" ? 1 : 0;
    let length = 0;
    let at = end + of;
    for (let amount = amountAt(this.tokens, at); amount; amount = amountAt(this.tokens, at)) {
      if (amount.of === "count" || amounts[amount.of] !== null) break;
      amounts[amount.of] = amount.value;
      at += amount.length;
      length = at - end;
    }
    // "a bar and 40 W pods": what a load follows on is that one's.
    return length > 0 && this.loadFollows(at)
      ? { watts, volts, amps, length: 0 }
      : { ...amounts, length };
  }

  /** "brake and tail light", "turn and brake lights": the last word is that of both. */
  protected takeShared(): number {
    if (this.isAfterWith(this.i) || !/^(and|or|&|\+|\/)$/.test(this.word(this.i + 1))) return 0;
    const second = sortAt(this.tokens, this.i + 2);
    if (!second || second.length < 2) return 0;
    const head = second.meaning.words.split(" ").at(-1) ?? "";
    const token = this.tokens[this.i];
    const first = token && sortAt([token, { ...token, word: head }], 0);
    if (first?.length !== 2 || first.meaning.sort === second.meaning.sort) return 0;
    const both = [first.meaning.sort, second.meaning.sort];
    const inOne = both.includes("brake") && both.includes("tail");
    if (!inOne)
      return this.load({
        sorts: [itemAt(both, 0)],
        called: [first.meaning.words],
        end: this.i + 2,
      });
    const called = [`${this.word(this.i)} and ${second.meaning.words}`];
    return this.load({ sorts: both, called, end: this.i + 2 + second.length });
  }
}
