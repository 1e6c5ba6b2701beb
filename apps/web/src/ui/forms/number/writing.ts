import { METRES_PER_INCH, inchField, readLength, type UnitSystem } from "@dragonet/core";

const DECIMAL = /^[-−]?\d+([.,]\d+)?$/;

/** How a field shows its number, reads it, and what stands behind it. */
interface Writing {
  readonly unit: string | undefined;
  readonly show: (value: number) => string;
  /** null for what is no number. */
  readonly read: (text: string) => number | null;
  /** Signs that a phone's figures do not have: fractions, feet. */
  readonly words: boolean;
}

const plain = (text: string): number | null =>
  DECIMAL.test(text) ? Number(text.replace(",", ".").replace("−", "-")) : null;

const IN_PERCENT: Writing = {
  unit: "%",
  // 0.07 is 7 %, and no 7.000000000000001.
  show: (value) => String(Number((100 * value).toPrecision(9))),
  read: (text) => {
    const number = plain(text);
    return number === null ? null : number / 100;
  },
  words: false,
};

const LENGTH = /^(mm|m)( .*)?$/;

/** A length in the person's own units; what is written may be in any. */
function lengthIn(unit: RegExpExecArray, units: UnitSystem): Writing {
  const [fieldM, digits] = unit[1] === "m" ? [1, 6] : [0.001, 3];
  const inches = units === "us";
  return {
    unit: inches ? `in${unit[2] ?? ""}` : unit[0],
    show: (value) => (inches ? inchField(value * fieldM) : String(value)),
    read: (text) => {
      const metres = readLength(text, inches ? METRES_PER_INCH : fieldM);
      return metres === null ? null : Number((metres / fieldM).toFixed(digits));
    },
    words: inches,
  };
}

/** How a number with a unit is written: a length in the person's own, a share in percent, others as they are. */
export function writingOf(unit: string | undefined, share: boolean, units: UnitSystem): Writing {
  const length = LENGTH.exec(unit ?? "");
  if (length) return lengthIn(length, units);
  return share ? IN_PERCENT : { unit, show: String, read: plain, words: false };
}
