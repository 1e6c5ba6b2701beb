import { notValid } from "./refusal.ts";

/** Letters that a question may have. */
const LONGEST = 200;

/** What somebody looks for, as it came in an address; refuses what is no text or too long for one. */
export function askedWords(question: unknown): string {
  if (typeof question !== "string" || question.length > LONGEST) {
    throw notValid(`q: write what is looked for, at most ${LONGEST} letters`);
  }
  return question;
}
