import { Body, Controller, Get, Inject, Param, ParseUUIDPipe, Post, Res } from "@nestjs/common";
import type { Response } from "express";
import {
  AcceptOfferRequest,
  CustomerOfferAnswer,
  JobOfferAnswer,
  NewOfferAnswer,
} from "@dragonet/contract";
import { Answers, AnswersFile, AnswersNew } from "../docs/answers.ts";
import { sendFile } from "../http/download.ts";
import { CurrentUser, RequireRole, Public, type SignedIn } from "../people/access.ts";
import { WorkPool } from "../work/pool.ts";
import { OffersService } from "./offers.service.ts";

/** Offers of a job, for the shop. */
@Controller("api/jobs/:jobId/offers")
export class JobOffersController {
  constructor(@Inject(OffersService) private readonly offers: OffersService) {}

  @Get()
  @Answers("A job's offers", [JobOfferAnswer])
  list(@Param("jobId", ParseUUIDPipe) jobId: string): Promise<JobOfferAnswer[]> {
    return this.offers.list(jobId);
  }

  @RequireRole("installer")
  @Post()
  @AnswersNew("Makes an offer; its link is told this once", NewOfferAnswer)
  make(
    @Param("jobId", ParseUUIDPipe) jobId: string,
    @CurrentUser() me: SignedIn,
  ): Promise<NewOfferAnswer> {
    return this.offers.make(jobId, me);
  }

  @RequireRole("installer")
  @Post(":id/revoke")
  @Answers("Takes an offer back", JobOfferAnswer)
  revoke(
    @Param("jobId", ParseUUIDPipe) jobId: string,
    @Param("id", ParseUUIDPipe) id: string,
    @CurrentUser() me: SignedIn,
  ): Promise<JobOfferAnswer> {
    return this.offers.revoke(jobId, id, me);
  }
}

/** What a customer does with a link: reads one offer, and accepts it. Nothing else opens by it. */
@Controller("api/offers/:token")
export class CustomerController {
  constructor(
    @Inject(OffersService) private readonly offers: OffersService,
    @Inject(WorkPool) private readonly pool: WorkPool,
  ) {}

  @Public()
  @Get()
  @Answers("An offer, as whoever has its link sees it", CustomerOfferAnswer)
  read(@Param("token") token: string): Promise<CustomerOfferAnswer> {
    return this.offers.open(token);
  }

  @Public()
  @Get("quote.pdf")
  @AnswersFile("An offer on paper", "application/pdf")
  async paper(@Param("token") token: string, @Res() res: Response): Promise<void> {
    const { offer } = await this.offers.open(token);
    const pdf = await this.pool.run<"quoteSheet">({ kind: "quoteSheet", offer });
    sendFile(res, `${offer.title} quote.pdf`, "application/pdf", pdf, "inline");
  }

  @Public()
  @Post("accept")
  @Answers("Accepts an offer, once", CustomerOfferAnswer)
  accept(
    @Param("token") token: string,
    @Body() body: AcceptOfferRequest,
  ): Promise<CustomerOfferAnswer> {
    return this.offers.accept(token, body);
  }
}
