import { createHash, randomBytes } from "node:crypto";
import { Inject, Injectable } from "@nestjs/common";
import { and, eq, gt, lt, or, sql } from "drizzle-orm";
import type { SignInCodeAnswer } from "@dragonet/contract";
import { DATABASE, type Database } from "../database/database.ts";
import { person, signInCode } from "../database/schema.ts";
import { notSignedIn } from "../http/refusal.ts";

/** How long a code is taken, s: as long as it takes to hold a phone before a screen. */
export const CODE_S = 120;

const hashOf = (code: string): string => createHash("sha256").update(code).digest("hex");

/**
 * Codes by which a person who is signed in signs in another device of theirs: each is taken
 * once, within two minutes; the database keeps their hash alone.
 */
@Injectable()
export class SignInCodes {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  /** A new code of a person; an earlier one of theirs is taken no more. */
  async make(personId: string): Promise<SignInCodeAnswer> {
    const code = randomBytes(18).toString("base64url");
    const until = new Date(Date.now() + CODE_S * 1000);
    await this.db.transaction(async (tx) => {
      await tx
        .delete(signInCode)
        .where(or(eq(signInCode.personId, personId), lt(signInCode.until, sql`now()`)));
      await tx.insert(signInCode).values({ hash: hashOf(code), personId, until });
    });
    return { code, until: until.toISOString() };
  }

  /**
   * Takes a code; answers whose it was.
   *
   * @throws where it was never made, was taken before, is over, or its person is closed
   */
  async take(code: string): Promise<{ readonly id: string; readonly signIn: string }> {
    const [taken] = await this.db
      .delete(signInCode)
      .where(and(eq(signInCode.hash, hashOf(code)), gt(signInCode.until, sql`now()`)))
      .returning({ personId: signInCode.personId });
    const [owner] = taken
      ? await this.db
          .select({ id: person.id, signIn: person.signIn, active: person.active })
          .from(person)
          .where(eq(person.id, taken.personId))
      : [];
    if (!owner?.active) {
      throw notSignedIn("this code was taken or is over: have a new one shown under Settings");
    }
    return owner;
  }
}
