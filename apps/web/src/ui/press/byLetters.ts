interface Option {
  readonly value: string;
  readonly label: string;
}

/** The same letter again and again goes through what begins with it; other letters spell a word. */
const isOneLetter = (text: string): boolean => [...text].every((letter) => letter === text[0]);

/**
 * The option that letters typed one after the other mean, from the one that stands: a word that is
 * gone on with stays where it is while it fits. Undefined where nothing begins like that.
 */
export function byLetters(
  options: readonly Option[],
  value: string,
  text: string,
): string | undefined {
  const typed = text.toLowerCase();
  const again = typed.length > 1 && isOneLetter(typed);
  const wanted = again ? typed.slice(0, 1) : typed;
  const at = options.findIndex((o) => o.value === value);
  // One letter means the next such option; a word may mean the one that stands.
  const from = wanted.length === 1 ? at + 1 : Math.max(0, at);
  const inTurn = [...options.slice(from), ...options.slice(0, from)];
  return inTurn.find((o) => o.label.toLowerCase().startsWith(wanted))?.value;
}
