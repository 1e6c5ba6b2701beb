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

/** People as the database has them at this moment: a changed role holds at the next request. */
@Injectable()
export class KnownPeople {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  /** The person, or null when there is none or the sign-in is closed. */
  async read(id: string): Promise<SignedIn | null> {
    const [row] = await this.db.select().from(person).where(eq(person.id, id));
    if (!row?.active) return null;
    return { id: row.id, name: row.name, role: row.role, preferences: row.preferences };
  }
}
