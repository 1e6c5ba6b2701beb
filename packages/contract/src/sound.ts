import type { Fault } from "@dragonet/core";

/** Deeper than any document or request of ours nests, by far. */
const MOST_DEPTH = 40;
/** More fields than any object of ours has, by far. */
const MOST_FIELDS = 400;
/** Longer than any list of ours may be, by far. */
const MOST_ENTRIES = 20_000;
/** More values than the largest job with a full history of the lift holds, by far. */
const MOST_VALUES = 1_000_000;

/** Names that reach into an object's making: never a field. */
const FORBIDDEN: ReadonlySet<string> = new Set(["__proto__", "constructor", "prototype"]);

/** NUL, which databases refuse, or half of a pair of surrogates, which UTF-8 cannot carry. */
const BROKEN = /\0|\p{Surrogate}/u;

const within = (key: string, inner: Fault): Fault => ({
  ...inner,
  path:
    inner.path === ""
      ? key
      : inner.path.startsWith("[")
        ? key + inner.path
        : `${key}.${inner.path}`,
});

const short = (text: string): string => (text.length > 40 ? `${text.slice(0, 37)}…` : text);

function fieldsFault(entries: readonly (readonly [string, unknown])[]): Fault | null {
  if (entries.length > MOST_FIELDS) {
    return { path: "", message: `${entries.length} fields (${MOST_FIELDS} at most)` };
  }
  const bad = entries.find(([key]) => FORBIDDEN.has(key) || BROKEN.test(key));
  return bad ? { path: "", message: `no field may be called "${short(bad[0])}"` } : null;
}

class Look {
  private seen = 0;

  fault(value: unknown, depth: number): Fault | null {
    this.seen += 1;
    if (typeof value === "string") {
      return BROKEN.test(value)
        ? {
            path: "",
            message: `invalid text: "${short(value)}" has a character that cannot be kept (NUL, or half of one)`,
          }
        : null;
    }
    if (typeof value !== "object" || value === null) return null;
    if (depth > MOST_DEPTH) return { path: "", message: `nested deeper than ${MOST_DEPTH} levels` };
    if (this.seen > MOST_VALUES) return { path: "", message: `more than ${MOST_VALUES} values` };
    if (Array.isArray(value)) {
      if (value.length > MOST_ENTRIES) {
        return { path: "", message: `${value.length} entries (${MOST_ENTRIES} at most)` };
      }
      for (let i = 0; i < value.length; i += 1) {
        const inner = this.fault(value[i], depth + 1);
        if (inner) return within(`[${i}]`, inner);
      }
      return null;
    }
    const entries = Object.entries(value);
    const own = fieldsFault(entries);
    if (own) return own;
    for (const [key, inside] of entries) {
      const inner = this.fault(inside, depth + 1);
      if (inner) return within(key, inner);
    }
    return null;
  }
}

/**
 * What makes plain data unfit to be looked at any closer, with its place, or null: too deep,
 * too much of it, names that are no fields, text that no database keeps. In time that grows
 * with its size alone, before any check that costs more.
 */
export const unsound = (plain: unknown): Fault | null => new Look().fault(plain, 0);
