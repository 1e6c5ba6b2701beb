import { count } from "drizzle-orm";
import { DEFAULT_PRACTICES, jobSummary } from "@dragonet/core";
import {
  DEMO_PEOPLE,
  demoShelf,
  DEMO_SHOP_NAME,
  DEMO_VEHICLES,
  demoJobs,
} from "@dragonet/core/demo";
import type { Database } from "../database/database.ts";
import { job, jobChange, part, person, shop, vehicleProfile } from "../database/schema.ts";
import { hashPassword } from "../people/password.ts";

/** Loads the demo shop into an empty database; leaves one with people in it alone. */
export async function seedDemo(db: Database): Promise<void> {
  const [row] = await db.select({ n: count() }).from(person);
  if ((row?.n ?? 0) > 0) return;
  const people = await Promise.all(
    DEMO_PEOPLE.map(async ({ password, ...p }) => ({
      ...p,
      passwordHash: await hashPassword(password),
      preferences: { units: "metric" as const, theme: "system" as const },
    })),
  );
  await db.transaction(async (tx) => {
    await tx.insert(shop).values({ id: 1, name: DEMO_SHOP_NAME, practices: DEFAULT_PRACTICES });
    const made = await tx.insert(person).values(people).returning();
    await tx.insert(part).values(demoShelf().map((value) => ({ id: value.id, value })));
    await tx
      .insert(vehicleProfile)
      .values(DEMO_VEHICLES.map((value) => ({ id: value.profileId, value })));
    const pim = made.find((p) => p.signIn === "pim");
    for (const document of demoJobs()) {
      const [opened] = await tx
        .insert(job)
        .values({ document, summary: jobSummary(document) })
        .returning();
      await tx.insert(jobChange).values({
        jobId: opened!.id,
        revision: 1,
        batchId: `open-${opened!.id}`,
        personId: pim?.id ?? null,
        edits: [],
        inverse: [],
        lines: ["job opened"],
      });
    }
  });
}
