import { Inject, Injectable } from "@nestjs/common";
import { and, desc, eq, exists } from "drizzle-orm";
import { apprenticeOf, type Apprentice, type TrainingRecord } from "@dragonet/core";
import type { TrainingResultRequest } from "@dragonet/contract";
import { DATABASE, type Database } from "../database/database.ts";
import { person, trainingResult } from "../database/schema.ts";
import type { SignedIn } from "../people/access.ts";

/** As many of a person's newest results make up what they know. */
const MOST_RESULTS = 2000;

const shown = (row: typeof trainingResult.$inferSelect): TrainingRecord => ({
  ...{ topic: row.topic, right: row.correct, score: row.score, about: row.about },
  at: row.at.toISOString(),
});

@Injectable()
export class TrainingService {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  /** Somebody's results, the newest first. */
  async of(personId: string): Promise<TrainingRecord[]> {
    const rows = await this.db
      .select()
      .from(trainingResult)
      .where(eq(trainingResult.personId, personId))
      .orderBy(desc(trainingResult.at))
      .limit(MOST_RESULTS);
    return rows.map(shown);
  }

  /** Keeps a result; the same sent twice is one. */
  async keep(
    me: SignedIn,
    { id, topic, right, score, about }: TrainingResultRequest,
  ): Promise<void> {
    await this.db
      .insert(trainingResult)
      .values({ ...{ id, personId: me.id, topic, correct: right, score, about } })
      .onConflictDoNothing();
  }

  /** Everybody who has trained, for the owner. */
  async everybody(): Promise<Apprentice[]> {
    const own = this.db
      .select({ id: trainingResult.id })
      .from(trainingResult)
      .where(eq(trainingResult.personId, person.id));
    const people = await this.db
      .select({ id: person.id, name: person.name })
      .from(person)
      .where(and(eq(person.active, true), exists(own)))
      .orderBy(person.name);
    return Promise.all(people.map(async (one) => apprenticeOf(one, await this.of(one.id))));
  }
}
