import type { Input, Term } from "../../job/index.ts";
import { ARTICLES } from "../word/feedAt.ts";
import { ALWAYS_PHRASES, BEFORE_INPUT, NOT_PHRASES } from "../word/lexicon.ts";
import { Reading } from "./reading.ts";
import { longest } from "../word/token.ts";

const BEAMS: ReadonlySet<Input> = new Set(["low", "high"]);

/** Reads what turns a circuit on. */
export class Conditions extends Reading {
  protected takeNot(): number {
    const found = longest(this.tokens, this.i, NOT_PHRASES);
    if (!found) return 0;
    this.negated = true;
    return found.length;
  }

  /** Whether "with", "on", "when" and the like stand before a place, articles apart. */
  protected isAfterWith(at: number): boolean {
    let i = at - 1;
    if (this.word(i) === "a" || this.word(i) === "an") return false;
    while (ARTICLES.has(this.word(i))) i -= 1;
    return BEFORE_INPUT.has(this.word(i)) || this.negated;
  }

  protected takeInput(input: Input, length: number): number {
    this.takeReplacing();
    this.dropAhead();
    const groups = this.current ? this.current.groups : this.waiting.terms;
    if (!this.current) this.waitingAt.push([this.i, this.i + length]);
    if (groups.length === 0 || this.freshGroup) groups.push([]);
    const group = groups.at(-1);
    // "with the engine off": off is not on, and not off is on.
    const [behind, then] = [this.word(this.i + length), this.word(this.i + length + 1)];
    const off = behind === "off" ? 1 : /^(is|are)$/.test(behind) && then === "off" ? 2 : 0;
    const negated = off > 0 ? !this.negated : this.negated;
    if (group && !negated && this.isOtherBeam(group, input)) {
      groups.push([...group.filter((t) => !BEAMS.has(t.input)), { input, negated }]);
    } else if (!group?.some((t) => t.input === input)) group?.push({ input, negated });
    this.freshGroup = false;
    // "not with high or low beam": neither of them.
    const next = this.word(this.i + length + off);
    if (!(this.negated && (next === "or" || next === "nor"))) this.negated = false;
    return length + off;
  }

  /** "with low beam and with high beam": beams are lit one instead of the other, so it is either. */
  protected isOtherBeam(group: readonly Term[], input: Input): boolean {
    return (
      BEAMS.has(input) &&
      BEFORE_INPUT.has(this.word(this.i - 1)) &&
      group.some((t) => BEAMS.has(t.input) && t.input !== input && !t.negated)
    );
  }

  /** The button of a horn. */
  protected takeButton(): number {
    const isButton = longest(this.tokens, this.i, [["button", true]]) !== null;
    return isButton && this.current?.part.family === "horn" ? this.takeInput("horn", 1) : 0;
  }

  protected takeAlways(): number {
    const found = longest(this.tokens, this.i, ALWAYS_PHRASES);
    if (!found) return 0;
    if (this.current) this.current.always = true;
    else {
      this.waiting.always = true;
      this.waitingAt.push([this.i, this.i + found.length]);
    }
    return found.length;
  }

  protected takeOr(): number {
    if (this.word(this.i) !== "or" && this.word(this.i) !== "nor") return 0;
    if (!this.negated) this.freshGroup = true;
    return 1;
  }
}
