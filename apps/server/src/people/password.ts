import { hash, verify } from "@node-rs/argon2";
import pLimit from "p-limit";
import { notValid } from "../http/refusal.ts";

/** argon2id with 19 MiB, 2 passes, 1 lane: the OWASP cheat sheet's first choice (from memory). */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
/** As many at once: a flood of sign-ins is slow, not large. */
const inTurn = pLimit(4);

export const hashPassword = (password: string): Promise<string> =>
  inTurn(() => hash(password, COST));

/** Checked against when nobody has the sign-in, so that both answers take as long. */
const nobody = hashPassword("nobody has this password");

export async function passwordFits(stored: string | null, password: string): Promise<boolean> {
  const against = stored ?? (await nobody);
  const fits = await inTurn(() => verify(against, password));
  return stored !== null && fits;
}

/** Shortest password; NIST SP 800-63B asks for 8 at least, the shop for 10 (from memory). */
const LEAST = 10;

/** The list is large and looked at seldom: it is read when the first password is chosen. */
async function isCommon(password: string): Promise<boolean> {
  const { dictionary } = await import("@zxcvbn-ts/language-common");
  const list = dictionary["passwords-common"] as readonly string[];
  const plain = password.toLowerCase();
  // "password2024" is "password" to whoever guesses.
  const bare = plain.replace(/[^\p{L}]+$/u, "");
  return list.some((common) => common === plain || (common.length > 3 && common === bare));
}

/** Refuses a new password that is short, common, or made of the person's own sign-in. */
export async function checkNewPassword(password: string, signIn: string): Promise<void> {
  const refuse = (message: string) =>
    notValid(`password: ${message}`, [{ path: "password", message }]);
  if (password.length < LEAST) throw refuse(`needs ${LEAST} characters or more`);
  if (password.toLowerCase().includes(signIn.toLowerCase())) {
    throw refuse("must not contain the sign-in");
  }
  if (await isCommon(password)) throw refuse("is on the list of those everybody tries first");
}
