import { Inject, Injectable } from "@nestjs/common";
import { eq, lt, sql } from "drizzle-orm";
import { DATABASE, type Database, type Transaction } from "../database/database.ts";
import { signInTry } from "../database/schema.ts";
import { tooMany } from "../http/refusal.ts";

/** Wrong tries that cost nothing, the first wait after them and the longest, in s. */
interface Patience {
  readonly free: number;
  readonly firstS: number;
  readonly longestS: number;
}

/** One account from one address: somebody who guesses, or has forgotten. */
const PAIR: Patience = { free: 5, firstS: 2, longestS: 300 };
/** One account from anywhere: guessed at from many places; its owner is never locked out long. */
const ACCOUNT: Patience = { free: 50, firstS: 5, longestS: 30 };
/** One address at any account: many accounts guessed at. Who has not failed there may go in. */
const ADDRESS: Patience = { free: 100, firstS: 10, longestS: 300 };

/** After so much quiet, tries are forgotten, in s. */
const FORGOTTEN_S = 3600;

/** How long to wait after the last of so many wrong tries, in s: doubled with each. */
export const waitAfter = (fails: number, { free, firstS, longestS }: Patience): number =>
  fails <= free ? 0 : Math.min(longestS, firstS * 2 ** Math.min(30, fails - free - 1));

/** Tests that sign in a thousand times say so. */
const spare = (): number => Number(process.env.DRAGONET_SIGN_IN_LIMIT ?? 0);

/**
 * Wrong sign-ins, counted in the database by account and by address, so that every server
 * knows them. Waiting grows; right ones count nothing and are never in the way of others.
 */
@Injectable()
export class SignInTries {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  /** Counts a try before the password is looked at; refuses where one has to wait. */
  async begin(signIn: string, address: string): Promise<void> {
    const account = signIn.trim().toLowerCase().slice(0, 60);
    const keys = this.keys(account, address);
    const waitS = await this.db.transaction(async (tx) => {
      const pair = await this.look(tx, keys.pair, PAIR);
      const whole = await this.look(tx, keys.account, ACCOUNT);
      const place = await this.look(tx, keys.address, ADDRESS);
      // An address where others guess does not lock out those who have not failed there.
      const wait = Math.max(pair.waitS, whole.waitS, pair.fails > 0 ? place.waitS : 0);
      if (wait <= 0) for (const key of Object.values(keys)) await this.count(tx, key);
      return wait;
    });
    if (waitS > 0) throw tooMany(Math.ceil(waitS));
  }

  /** The password was right: its try is taken back, and the account is free here. */
  async succeeded(signIn: string, address: string): Promise<void> {
    const account = signIn.trim().toLowerCase().slice(0, 60);
    const keys = this.keys(account, address);
    await this.db.transaction(async (tx) => {
      await tx.delete(signInTry).where(eq(signInTry.key, keys.pair));
      for (const key of [keys.account, keys.address]) {
        await tx
          .update(signInTry)
          .set({ fails: sql`greatest(0, ${signInTry.fails} - 1)` })
          .where(eq(signInTry.key, key));
      }
      await tx
        .delete(signInTry)
        .where(lt(signInTry.lastAt, sql`now() - make_interval(secs => ${FORGOTTEN_S})`));
    });
  }

  private keys(account: string, address: string) {
    return {
      pair: `pair ${account} ${address}`,
      account: `account ${account}`,
      address: `address ${address}`,
    };
  }

  private async look(
    tx: Transaction,
    key: string,
    patience: Patience,
  ): Promise<{ readonly fails: number; readonly waitS: number }> {
    await tx.insert(signInTry).values({ key, fails: 0 }).onConflictDoNothing();
    const [row] = await tx
      .select({
        fails: signInTry.fails,
        sinceS: sql<number>`extract(epoch from now() - ${signInTry.lastAt})::float8`,
      })
      .from(signInTry)
      .where(eq(signInTry.key, key))
      .for("update");
    const sinceS = row?.sinceS ?? 0;
    const fails = sinceS > FORGOTTEN_S ? 0 : (row?.fails ?? 0);
    const free = { ...patience, free: patience.free + spare() };
    return { fails, waitS: waitAfter(fails, free) - sinceS };
  }

  private async count(tx: Transaction, key: string): Promise<void> {
    await tx
      .update(signInTry)
      .set({
        fails: sql`case when ${signInTry.lastAt} < now() - make_interval(secs => ${FORGOTTEN_S})
          then 1 else ${signInTry.fails} + 1 end`,
        lastAt: sql`now()`,
      })
      .where(eq(signInTry.key, key));
  }
}
