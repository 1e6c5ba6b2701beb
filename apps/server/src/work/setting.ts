/**
 * A whole number from the surroundings, or what is usual. Throws where something else is said.
 *
 * @param least what it may be at least, and `most` at most; in words where numbers do not say it
 */
export function wholeSetting(
  name: string,
  { usual, least, most, words }: { usual: number; least: number; most: number; words?: string },
): number {
  const said = process.env[name];
  if (said === undefined || said === "") return usual;
  const number = Number(said);
  if (!Number.isInteger(number) || number < least || number > most) {
    const valid = words ?? `from ${least} to ${most}`;
    throw new Error(`invalid ${name}: ${said} (a whole number${words ? "," : ""} ${valid})`);
  }
  return number;
}
