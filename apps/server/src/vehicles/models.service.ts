import { Inject, Injectable } from "@nestjs/common";
import { and, desc, eq, isNull, sql } from "drizzle-orm";
import {
  asId,
  differencesOf,
  modelFileOf,
  takeDifferences,
  upgradeModelFile,
  type ModelDifference,
  type Measurement,
  type ModelFile,
  type ProfileId,
  type Vehicle,
} from "@dragonet/core";
import {
  checkModelFile,
  type ComparedModelAnswer,
  type KeptVehicleAnswer,
} from "@dragonet/contract";
import { shopDay } from "../calendar/shopDay.ts";
import { DATABASE, type Database, type Transaction } from "../database/database.ts";
import { job, measurement, shop, vehicleProfile } from "../database/schema.ts";
import type { Catalogue } from "../http/catalogue.ts";
import { conflict, notValid } from "../http/refusal.ts";
import { profilesIn } from "./profiles.ts";

/** Measurements of a model that are told: of one with more the newest say enough. */
const MOST_TOLD = 5000;
/** Rows that one statement writes: each has sixteen values, and a statement bears 65,535. */
const AT_ONCE = 2000;

type Kept = typeof vehicleProfile.$inferSelect;

/** What the shop knows of its models, and what it gives and takes from others. */
@Injectable()
export class ModelsService {
  private readonly profiles: Catalogue<Vehicle>;

  constructor(@Inject(DATABASE) private readonly db: Database) {
    this.profiles = profilesIn(db);
  }

  /** Everything that was found out about a model, the newest first. */
  async measurements(profileId: string): Promise<Measurement[]> {
    const rows = await this.db
      .select({ measurement })
      .from(measurement)
      .leftJoin(job, eq(measurement.jobId, job.id))
      // What stood on a job that somebody put in the bin is nobody's word.
      .where(and(eq(measurement.profileId, profileId), isNull(job.removedAt)))
      .orderBy(desc(measurement.day), desc(measurement.id))
      .limit(MOST_TOLD);
    return rows.map(({ measurement: { id: _id, profileId: _of, jobId, fromShop, ...one } }) => ({
      ...one,
      ...{ jobId: jobId ?? "", from: fromShop },
    }));
  }

  /** What is known of a model, for other shops: without machines' and people's names. */
  async file(id: string): Promise<ModelFile> {
    const { value } = await this.profiles.read(id);
    const [row] = await this.db.select({ name: shop.name }).from(shop);
    const day = await shopDay(this.db);
    return modelFileOf(row?.name ?? "", day, value, await this.measurements(id));
  }

  private readFile(plain: unknown): ModelFile {
    const checked = checkModelFile(upgradeModelFile(plain));
    if (checked.ok) return checked.value;
    throw notValid("this file of a model cannot be read; nothing was stored", checked.faults);
  }

  /** The shop's own profile of the same model: by its id, or by its name where that is another. */
  private async ownOf({ profileId, model }: Vehicle): Promise<Kept | null> {
    const byId = await this.db
      .select()
      .from(vehicleProfile)
      .where(eq(vehicleProfile.id, profileId));
    const named = (row: Kept): boolean => row.value.model.trim() === model.trim();
    if (byId[0] && named(byId[0])) return byId[0];
    const [byName] = await this.db
      .select()
      .from(vehicleProfile)
      .where(eq(sql`value->>'model'`, model))
      .limit(1);
    return byName ?? null;
  }

  /** What another shop's file says otherwise than one's own profile. Nothing is stored. */
  async compared(plain: unknown): Promise<ComparedModelAnswer> {
    const file = this.readFile(plain);
    const own = await this.ownOf(file.vehicle);
    const differences = own ? differencesOf(own.value, file.vehicle) : [];
    return {
      profileId: own?.id ?? "",
      ...{ model: file.vehicle.model, revision: own?.revision ?? 0, shop: file.shop },
      differences: differences.map(({ id, words, mine, theirs }: ModelDifference) => ({
        ...{ id, words, mine, theirs },
      })),
      measurements: file.measurements.length,
    };
  }

  /**
   * Takes over what was chosen of another shop's file, with its measurements; of a model that the shop does not
   * have all of it. Those that are known already are not told twice.
   */
  async take(
    plain: unknown,
    chosen: readonly string[],
    revision: number,
  ): Promise<KeptVehicleAnswer> {
    const file = this.readFile(plain);
    const own = await this.ownOf(file.vehicle);
    if (!own && revision > 0) {
      throw conflict("this vehicle profile was removed meanwhile; compare again");
    }
    const made = own ? takeDifferences(own.value, file.vehicle, chosen) : await this.anew(file);
    if (!made) throw notValid("what was chosen does not fit together; nothing was stored");
    // Somebody who changed the profile since it was compared is told by the revision.
    return this.profiles.keep(made.profileId, made, revision, (tx) =>
      this.keepTold(tx, made.profileId, file),
    );
  }

  /** A profile of a model that the shop does not have, under an id that it does not have either. */
  private async anew({ vehicle }: ModelFile): Promise<Vehicle> {
    const taken = await this.db.select({ id: vehicleProfile.id }).from(vehicleProfile);
    const ids = new Set(taken.map(({ id }) => id));
    let id: string = vehicle.profileId;
    for (let n = 2; ids.has(id); n++) id = `${vehicle.profileId.slice(0, 58)}-${n}`;
    return { ...vehicle, profileId: asId<ProfileId>(id) };
  }

  private async keepTold(
    tx: Transaction,
    profileId: string,
    { shop: from, measurements }: ModelFile,
  ): Promise<void> {
    const [row] = await tx.select({ name: shop.name }).from(shop);
    const rows = measurements
      // One's own comes back from another shop: it is known, with more than the file has.
      .filter((one) => one.from !== row?.name)
      .map(({ from: said, jobId: _job, who: _who, ...one }) => ({
        ...one,
        ...{ profileId, jobId: null, who: "", fromShop: said === "" ? from : said },
      }));
    for (let at = 0; at < rows.length; at += AT_ONCE) {
      await tx
        .insert(measurement)
        .values(rows.slice(at, at + AT_ONCE))
        .onConflictDoNothing();
    }
  }
}
