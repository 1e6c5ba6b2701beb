import { Inject, Injectable } from "@nestjs/common";
import { eq } from "drizzle-orm";
import type { Role } from "@dragonet/contract";
import { DATABASE, type Database } from "../database/database.ts";
import { person, type Preferences } from "../database/schema.ts";

/** Who is asking. */
export interface SignedIn {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly preferences: Preferences;
}

/** How long a person is remembered, in ms: for a change that was made past this server. */
const REMEMBERED_MS = 2000;

/**
 * People who have just asked for something, remembered for a moment. Whoever changes a
 * person here says so with `forget`, so that a changed role holds at the next request.
 */
@Injectable()
export class KnownPeople {
  private readonly known = new Map<
    string,
    { readonly who: SignedIn | null; readonly until: number }
  >();

  constructor(@Inject(DATABASE) private readonly db: Database) {}

  /** The person, or null when there is none or the sign-in is closed. */
  async read(id: string): Promise<SignedIn | null> {
    const kept = this.known.get(id);
    if (kept && kept.until > Date.now()) return kept.who;
    const [row] = await this.db.select().from(person).where(eq(person.id, id));
    const who = row?.active
      ? { id: row.id, name: row.name, role: row.role, preferences: row.preferences }
      : null;
    this.known.set(id, { who, until: Date.now() + REMEMBERED_MS });
    return who;
  }

  forget(id: string): void {
    this.known.delete(id);
  }
}
