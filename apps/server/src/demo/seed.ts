import { count, eq } from "drizzle-orm";
import { applyEdits, jobSummary, type Edit, type Job, itemAt } from "@dragonet/core";
import {
  DEMO_PEOPLE,
  demoShelf,
  DEMO_BILLING,
  DEMO_CALENDAR,
  DEMO_MEASUREMENTS,
  DEMO_PRACTICES,
  DEMO_SHOP_NAME,
  DEMO_VEHICLES,
  demoJobs,
  pastOf,
} from "@dragonet/core/demo";
import type { Database } from "../database/database.ts";
import {
  job,
  jobChange,
  measurement,
  part,
  person,
  photo,
  shop,
  vehicleProfile,
} from "../database/schema.ts";
import { noteStored } from "../vehicles/found.ts";
import { linesOf } from "../jobs/workOutEdits.ts";
import { drawnPhoto } from "./drawnPhoto.ts";
import { hashPassword, passwordFits } from "../people/password.ts";

/** Passwords that a start made up because others can reach it, by sign-in; {} where it did not. */
const madeUp = (): Readonly<Record<string, string>> =>
  JSON.parse(process.env.DRAGONET_DEMO_PASSWORDS ?? "{}") as Record<string, string>;

/** Gives the demo's people the passwords that this start has told; nobody else's are touched. */
async function renewPasswords(db: Database): Promise<void> {
  const [row] = await db.select({ name: shop.name }).from(shop);
  if (row?.name !== DEMO_SHOP_NAME) return;
  for (const { signIn, password } of DEMO_PEOPLE) {
    const told = madeUp()[signIn] ?? password;
    const [there] = await db.select().from(person).where(eq(person.signIn, signIn));
    if (!there || (await passwordFits(there.passwordHash, told))) continue;
    await db
      .update(person)
      .set({ passwordHash: await hashPassword(told) })
      .where(eq(person.id, there.id));
  }
}

const DAY_MS = 86_400_000;

/** How a job came to be, as its history tells it: opened, then one sitting a day, the last one at a moment. */
function changesOf(document: Job, last: Date) {
  const { opened, batches } = pastOf(document);
  const day = (daysAgo: number): Date => new Date(last.getTime() - daysAgo * DAY_MS);
  let before = opened;
  const none: readonly Edit[] = [];
  return [
    {
      ...{ signIn: "pim", at: day(batches.length), lines: ["job opened"] },
      ...{ edits: none, inverse: none },
    },
    ...batches.map(({ signIn, edits }, k) => {
      const applied = applyEdits(before, edits);
      if (!applied.ok) throw new Error(`${document.card.title}: ${applied.message}`);
      const lines = linesOf(edits, before, applied.job);
      before = applied.job;
      const at = day(batches.length - 1 - k);
      return { signIn, at, lines, edits, inverse: applied.inverse };
    }),
  ];
}

/** Loads the demo shop into an empty database; in one with people only its own may change. */
export async function seedDemo(db: Database): Promise<void> {
  const [row] = await db.select({ n: count() }).from(person);
  if ((row?.n ?? 0) > 0) return renewPasswords(db);
  const people = await Promise.all(
    DEMO_PEOPLE.map(async ({ password, ...p }) => ({
      ...p,
      passwordHash: await hashPassword(madeUp()[p.signIn] ?? password),
      preferences: { units: "metric" as const, theme: "system" as const },
    })),
  );
  await db.transaction(async (tx) => {
    await tx.insert(shop).values({
      ...{ id: 1, name: DEMO_SHOP_NAME, practices: DEMO_PRACTICES },
      ...{ calendar: DEMO_CALENDAR, billing: DEMO_BILLING },
    });
    const made = await tx.insert(person).values(people).returning();
    await tx.insert(part).values(demoShelf().map((value) => ({ id: value.id, value })));
    await tx
      .insert(vehicleProfile)
      .values(DEMO_VEHICLES.map((value) => ({ id: value.profileId, value })));
    const now = Date.now();
    for (const [i, document] of demoJobs().entries()) {
      // A minute apart, the first one last: jobs of one moment would stand in any order.
      const at = new Date(now - i * 60_000);
      const changes = changesOf(document, at);
      const rows = await tx
        .insert(job)
        .values({
          ...{ document, summary: jobSummary(document), revision: changes.length },
          ...{ createdAt: itemAt(changes, 0).at, updatedAt: at },
        })
        .returning();
      const opened = itemAt(rows, 0);
      await tx.insert(jobChange).values(
        changes.map(({ signIn, ...change }, k) => ({
          ...{ jobId: opened.id, revision: k + 1, batchId: `made-${k + 1}-${opened.id}` },
          ...{ personId: made.find((p) => p.signIn === signIn)?.id ?? null, ...change },
        })),
      );
      const { vehicle } = document;
      const profile = DEMO_VEHICLES.find((v) => v.profileId === vehicle.profileId) ?? vehicle;
      await noteStored(tx, opened.id, vehicle, { ...profile, machine: vehicle.machine });
      for (const one of document.photos) {
        const bytes = await drawnPhoto(document, one);
        await tx.insert(photo).values({ jobId: opened.id, id: one.id, bytes });
      }
    }
    for (const { profileId, all } of DEMO_MEASUREMENTS) {
      const rows = all.map(({ jobId: _job, from, ...one }) => ({
        ...one,
        profileId,
        fromShop: from,
      }));
      await tx.insert(measurement).values(rows);
    }
  });
}
