/** A number from 0 up to but not including 1: chance, or a seed that plays it. */
export type Chance = () => number;

export const pickOf = <T>(list: readonly T[], chance: Chance): T | null =>
  list[Math.floor(chance() * list.length)] ?? null;

/** One of a list, as often as its weight has it; null of an empty one. */
export function pickByWeight<T>(
  list: readonly T[],
  weight: (one: T) => number,
  chance: Chance,
): T | null {
  const total = list.reduce((sum, one) => sum + weight(one), 0);
  let left = chance() * total;
  for (const one of list) {
    left -= weight(one);
    if (left < 0) return one;
  }
  return list.at(-1) ?? null;
}

/** The list in an order of chance: Fisher and Yates. */
export function shuffled<T>(list: readonly T[], chance: Chance): T[] {
  const out = [...list];
  for (let i = out.length - 1; i > 0; i -= 1) {
    const k = Math.floor(chance() * (i + 1));
    [out[i], out[k]] = [out[k] as T, out[i] as T];
  }
  return out;
}
