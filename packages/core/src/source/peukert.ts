/**
 * Peukert's law: hours a battery of capacity C (Ah at the H-hour rate) lasts at a current.
 * t = H (C / (I H))^k. Below the rated current the exponent is taken as 1: the law was
 * found for larger currents and would promise more than the battery holds at small ones.
 * Returns Infinity for no current.
 */
export function peukertHours(
  capacityAh: number,
  hourRate: number,
  exponent: number,
  currentA: number,
): number {
  if (currentA <= 0) return Infinity;
  const ratio = capacityAh / (currentA * hourRate);
  return hourRate * ratio ** (ratio > 1 ? 1 : exponent);
}
