import { Inject, Injectable } from "@nestjs/common";
import { and, count, eq, ne } from "drizzle-orm";
import { DEFAULT_PRACTICES, itemAt } from "@dragonet/core";
import type {
  ChangePersonRequest,
  FirstOwnerRequest,
  NewPersonRequest,
  PersonAnswer,
} from "@dragonet/contract";
import { DATABASE, type Database } from "../database/database.ts";
import { person, shop, type Preferences } from "../database/schema.ts";
import { conflict, notFound, notSignedIn, notValid } from "../http/refusal.ts";
import { checkNewPassword, hashPassword, passwordFits } from "./password.ts";
import { somePeople } from "./peopleList.ts";
import { Sessions } from "./sessions.ts";

const view = (row: typeof person.$inferSelect): PersonAnswer => {
  const { id, name, signIn, role, active } = row;
  return { id, name, signIn, role, active };
};

const UNIQUE_VIOLATION = "23505";
const isDuplicate = (error: unknown): boolean => {
  const { code, cause } = error as { code?: string; cause?: { code?: string } };
  return code === UNIQUE_VIOLATION || cause?.code === UNIQUE_VIOLATION;
};

const FIRST_PREFERENCES: Preferences = { units: "metric", theme: "system" };

@Injectable()
export class PeopleService {
  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(Sessions) private readonly sessions: Sessions,
  ) {}

  async nobodyYet(): Promise<boolean> {
    const [row] = await this.db.select({ n: count() }).from(person);
    return (row?.n ?? 0) === 0;
  }

  async signIn(signIn: string, password: string): Promise<string> {
    const [row] = await this.db
      .select()
      .from(person)
      .where(and(eq(person.signIn, signIn.trim().toLowerCase()), eq(person.active, true)));
    if (!(await passwordFits(row?.passwordHash ?? null, password)) || !row) {
      throw notSignedIn("sign-in or password is wrong");
    }
    return row.id;
  }

  async list(after: string | null): Promise<PersonAnswer[]> {
    return (await somePeople(this.db, after)).map(view);
  }

  async add(wanted: NewPersonRequest): Promise<PersonAnswer> {
    const { name, signIn, role, password } = wanted;
    await checkNewPassword(password, signIn);
    const passwordHash = await hashPassword(password);
    try {
      const made = await this.db
        .insert(person)
        .values({ name, signIn, role, passwordHash, preferences: FIRST_PREFERENCES })
        .returning();
      return view(itemAt(made, 0));
    } catch (error) {
      if (isDuplicate(error)) throw conflict(`there is a sign-in "${signIn}" already`);
      throw error;
    }
  }

  /** Makes the shop and its first owner; refused once there is anybody. */
  async addFirstOwner(wanted: FirstOwnerRequest): Promise<PersonAnswer> {
    await checkNewPassword(wanted.password, wanted.signIn);
    const passwordHash = await hashPassword(wanted.password);
    return this.db.transaction(async (tx) => {
      // The lock keeps two first pages from both making an owner.
      await tx.execute("lock table person in exclusive mode");
      const had = await tx.select({ n: count() }).from(person);
      if (itemAt(had, 0).n > 0) throw conflict("this shop has an owner already: sign in");
      await tx
        .insert(shop)
        .values({ id: 1, name: wanted.shop, practices: DEFAULT_PRACTICES })
        .onConflictDoUpdate({ target: shop.id, set: { name: wanted.shop } });
      const { name, signIn } = wanted;
      const made = await tx
        .insert(person)
        .values({ name, signIn, role: "owner", passwordHash, preferences: FIRST_PREFERENCES })
        .returning();
      return view(itemAt(made, 0));
    });
  }

  async change(id: string, wanted: ChangePersonRequest): Promise<PersonAnswer> {
    const { role, active, password } = wanted;
    if (password !== undefined) await checkNewPassword(password, (await this.row(id)).signIn);
    const passwordHash = password === undefined ? undefined : await hashPassword(password);
    return this.db
      .transaction(async (tx) => {
        await tx.execute("lock table person in exclusive mode");
        const [before] = await tx.select().from(person).where(eq(person.id, id));
        if (!before) throw notFound("person", id);
        const staysOwner = (role ?? before.role) === "owner" && (active ?? before.active);
        if (before.role === "owner" && before.active && !staysOwner) {
          const others = await tx
            .select({ n: count() })
            .from(person)
            .where(and(eq(person.role, "owner"), eq(person.active, true), ne(person.id, id)));
          if (itemAt(others, 0).n === 0) throw notValid("the shop needs one active owner at least");
        }
        const changes = {
          ...(role === undefined ? {} : { role }),
          ...(active === undefined ? {} : { active }),
          ...(passwordHash === undefined ? {} : { passwordHash }),
        };
        if (Object.keys(changes).length === 0) return view(before);
        const rows = await tx.update(person).set(changes).where(eq(person.id, id)).returning();
        return view(itemAt(rows, 0));
      })
      .then(async (changed) => {
        // Whoever was let in under other rights signs in anew; one who comes back as well.
        await this.sessions.endAll(id);
        return changed;
      });
  }

  private async row(id: string): Promise<typeof person.$inferSelect> {
    const [row] = await this.db.select().from(person).where(eq(person.id, id));
    if (!row) throw notFound("person", id);
    return row;
  }

  /** A person's own password; the one they have is asked for. */
  async changeOwnPassword(id: string, current: string, next: string): Promise<void> {
    const row = await this.row(id);
    if (!(await passwordFits(row.passwordHash, current))) {
      throw notValid("the password you have now is not right", [
        { path: "current", message: "is not right" },
      ]);
    }
    await checkNewPassword(next, row.signIn);
    await this.db
      .update(person)
      .set({ passwordHash: await hashPassword(next) })
      .where(eq(person.id, id));
  }

  async setPreferences(id: string, preferences: Preferences): Promise<void> {
    await this.db.update(person).set({ preferences }).where(eq(person.id, id));
  }

  /** The shop's name, or "" before there is one. */
  async shopName(): Promise<string> {
    const [row] = await this.db.select({ name: shop.name }).from(shop);
    return row?.name ?? "";
  }
}
