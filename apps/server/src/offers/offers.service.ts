import { itemAt } from "@dragonet/core";
import { createHash, randomBytes } from "node:crypto";
import { Inject, Injectable } from "@nestjs/common";
import { and, desc, eq, gte, isNull, sql } from "drizzle-orm";
import type {
  AcceptOfferRequest,
  CustomerOfferAnswer,
  JobOfferAnswer,
  NewOfferAnswer,
  OfferState,
} from "@dragonet/contract";
import { Audit } from "../audit/audit.ts";
import { DATABASE, type Database } from "../database/database.ts";
import { job, offer } from "../database/schema.ts";
import { conflict, gone, notFound, notValid, refusedLink } from "../http/refusal.ts";
import { BoardService } from "../jobs/board.service.ts";
import { JobsService } from "../jobs/jobs.service.ts";
import type { SignedIn } from "../people/access.ts";
import { PeopleService } from "../people/people.service.ts";
import { ShelfService } from "../shelf/shelf.service.ts";
import { WorkPool } from "../work/pool.ts";

const hashOf = (token: string): string => createHash("sha256").update(token).digest("hex");

const today = (): string => new Date().toISOString().slice(0, 10);

type Row = typeof offer.$inferSelect;

const acceptedOf = ({ acceptedAt, acceptedBy, choice }: Row): JobOfferAnswer["accepted"] =>
  acceptedAt && { by: acceptedBy ?? "", at: acceptedAt.toISOString(), choice: choice ?? "" };

function stateOf(row: Row): OfferState {
  if (row.acceptedAt) return "accepted";
  if (row.revokedAt) return "revoked";
  return row.validUntil < today() ? "over" : "open";
}

const view = (row: Row): JobOfferAnswer => ({
  ...{ id: row.id, revision: row.revision, by: row.by, at: row.at.toISOString() },
  ...{ state: stateOf(row), offer: row.value, accepted: acceptedOf(row) },
});

/**
 * Quotes before customers: frozen at one revision, shown to whoever has the link, accepted once.
 * A link is 256 random bits; the database keeps its hash, so that not even a backup opens one.
 */
@Injectable()
export class OffersService {
  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(JobsService) private readonly jobs: JobsService,
    @Inject(BoardService) private readonly board: BoardService,
    @Inject(ShelfService) private readonly shelf: ShelfService,
    @Inject(PeopleService) private readonly people: PeopleService,
    @Inject(WorkPool) private readonly pool: WorkPool,
    @Inject(Audit) private readonly audit: Audit,
  ) {}

  /** Freezes a job's quote as it is now; the link's secret is told here and never again. */
  async make(jobId: string, me: SignedIn): Promise<NewOfferAnswer> {
    const { document, revision } = await this.jobs.read(jobId);
    const records = await this.board.times();
    const asked = {
      ...{ kind: "offer" as const, document, records },
      ...{ shop: await this.people.shopName(), today: new Date().toISOString() },
    };
    const atHand = await this.shelf.forQuote(document);
    const made = await this.pool.run<"offer">({ ...asked, shelf: atHand });
    // A price may lie on the shelf behind what is at hand.
    const priced = (await this.shelf.named(made.unpriced)).map(({ value }) => value);
    const { offer: value } =
      priced.length === 0
        ? made
        : await this.pool.run<"offer">({ ...asked, shelf: [...atHand, ...priced] });
    const token = randomBytes(32).toString("base64url");
    const rows = await this.db
      .insert(offer)
      .values({
        ...{ jobId, tokenHash: hashOf(token), revision, value, by: me.name },
        validUntil: value.validUntil,
      })
      .returning();
    await this.audit.note(me.name, "made an offer", document.card.title);
    return { ...view(itemAt(rows, 0)), token };
  }

  async list(jobId: string): Promise<JobOfferAnswer[]> {
    const rows = await this.db
      .select()
      .from(offer)
      .where(eq(offer.jobId, jobId))
      .orderBy(desc(offer.at));
    return rows.map(view);
  }

  /** Takes a link back. What was accepted stays accepted. */
  async revoke(jobId: string, id: string, me: SignedIn): Promise<JobOfferAnswer> {
    const [row] = await this.db
      .update(offer)
      .set({ revokedAt: sql`coalesce(${offer.revokedAt}, now())` })
      .where(and(eq(offer.id, id), eq(offer.jobId, jobId), isNull(offer.acceptedAt)))
      .returning();
    if (!row) {
      const [there] = await this.db
        .select()
        .from(offer)
        .where(and(eq(offer.id, id), eq(offer.jobId, jobId)));
      if (!there) throw notFound("offer", id);
      throw conflict(`${there.acceptedBy ?? "the customer"} has accepted it: it stands`);
    }
    await this.audit.note(me.name, "took back an offer", row.value.title);
    return view(row);
  }

  /** What a link shows. A job in the bin shows nothing. */
  async open(token: string): Promise<CustomerOfferAnswer> {
    const row = await this.find(token);
    return { offer: row.value, state: stateOf(row), accepted: acceptedOf(row) };
  }

  /** The one word of a customer: the same again changes nothing, another is refused. */
  async accept(token: string, { choice, name }: AcceptOfferRequest): Promise<CustomerOfferAnswer> {
    const row = await this.find(token);
    if (!row.value.choices.some((c) => c.id === choice)) {
      throw notValid("choose one of what is offered", [
        { path: "choice", message: "is none of this offer's" },
      ]);
    }
    const signed = name.trim();
    const [taken] = await this.db
      .update(offer)
      .set({ acceptedAt: sql`now()`, acceptedBy: signed, choice })
      .where(
        and(
          eq(offer.id, row.id),
          isNull(offer.acceptedAt),
          isNull(offer.revokedAt),
          gte(offer.validUntil, today()),
        ),
      )
      .returning();
    if (taken) await this.audit.note(signed, "accepted an offer", taken.value.title);
    const now = taken ?? (await this.find(token));
    const state = stateOf(now);
    if (state === "revoked") throw gone("the shop has taken this offer back: ask for a new one");
    if (state !== "accepted") {
      throw gone(`this offer held until ${now.validUntil}: ask the shop for a new one`);
    }
    if (now.choice !== choice || now.acceptedBy !== signed) {
      throw conflict(`${now.acceptedBy ?? "somebody"} has accepted this offer already`);
    }
    return { offer: now.value, state, accepted: acceptedOf(now) };
  }

  private async find(token: string): Promise<Row> {
    const [found] = await this.db
      .select({ offer })
      .from(offer)
      .innerJoin(job, eq(job.id, offer.jobId))
      .where(and(eq(offer.tokenHash, hashOf(token)), isNull(job.removedAt)));
    if (!found) throw refusedLink();
    return found.offer;
  }
}
