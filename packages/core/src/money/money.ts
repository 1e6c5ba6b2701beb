import {
  add,
  dinero,
  halfAwayFromZero,
  multiply,
  toDecimal,
  toSnapshot,
  transformScale,
} from "dinero.js/bigint";
import * as iso from "dinero.js/bigint/currencies";

type Currency = (typeof iso)["EUR"];

const byCode: ReadonlyMap<string, Currency> = new Map(
  Object.values(iso).map((currency) => [currency.code, currency]),
);

/** Currencies by ISO 4217. */
export const CURRENCY_CODES: readonly string[] = [...byCode.keys()].sort();

function currencyOf(code: string): Currency {
  const found = byCode.get(code);
  if (!found) throw new RangeError(`invalid currency: "${code}" (needs a code of ISO 4217)`);
  return found;
}

/** Digits after the point of a currency: 2 for most, 0 or 3 for some. */
export const minorDigits = (code: string): number => Number(currencyOf(code).exponent);

/** Whole numbers of the smallest unit of a currency as other programs read them: "1234.50". */
export const plainMoney = (minor: number, code: string): string =>
  toDecimal(dinero({ amount: BigInt(minor), currency: currencyOf(code) }));

/** Whole numbers of the smallest unit of a currency as text: "1 234.50 EUR". */
export function moneyText(minor: number, code: string): string {
  const [whole = "0", cents] = plainMoney(minor, code).split(".");
  // A gap that does not break each three digits, as ISO 80000-1 writes numbers.
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, "\u00a0");
  return `${cents === undefined ? grouped : `${grouped}.${cents}`} ${code}`;
}

/** A price as the shelf has it, in whole units with decimals, in the smallest unit. */
export const minorOf = (price: number, code: string): number =>
  roundMinor(price * 10 ** minorDigits(code));

/** To a whole number, a half away from zero, as invoices are rounded. Binary dust does not count. */
function roundMinor(amount: number): number {
  const dustless = Number(amount.toPrecision(13));
  return Math.sign(dustless) * Math.round(Math.abs(dustless));
}

/** Most digits that a factor of money keeps. */
const FACTOR_DIGITS = 6;

/** A share or a number of pieces of an amount, rounded once, a half away from zero. */
export function timesMinor(minor: number, factor: number, code: string): number {
  const currency = currencyOf(code);
  const exact = multiply(dinero({ amount: BigInt(minor), currency }), {
    amount: BigInt(Math.round(factor * 10 ** FACTOR_DIGITS)),
    scale: BigInt(FACTOR_DIGITS),
  });
  return Number(toSnapshot(transformScale(exact, currency.exponent, halfAwayFromZero)).amount);
}

/** The sum of amounts of one currency. */
export function sumMinor(amounts: readonly number[], code: string): number {
  const currency = currencyOf(code);
  const total = amounts.reduce(
    (sum, amount) => add(sum, dinero({ amount: BigInt(amount), currency })),
    dinero({ amount: 0n, currency }),
  );
  return Number(toSnapshot(total).amount);
}
