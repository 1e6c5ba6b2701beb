import { hash, verify } from "@node-rs/argon2";

/** argon2id with 19 MiB, 2 passes, 1 lane: the OWASP cheat sheet's first choice (from memory). */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export const hashPassword = (password: string): Promise<string> => hash(password, COST);

/** Checked against when nobody has the sign-in, so that both answers take as long. */
const nobody = hashPassword("nobody has this password");

export async function passwordFits(stored: string | null, password: string): Promise<boolean> {
  const fits = await verify(stored ?? (await nobody), password);
  return stored !== null && fits;
}
