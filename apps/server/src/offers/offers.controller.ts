import {
  Body,
  Controller,
  Get,
  HttpCode,
  Inject,
  Param,
  ParseUUIDPipe,
  Post,
  Res,
} from "@nestjs/common";
import type { Response } from "express";
import { AcceptOfferRequest } from "@dragonet/contract";
import { sendFile } from "../http/download.ts";
import { Me, Needs, Open, type SignedIn } from "../people/access.ts";
import { WorkPool } from "../work/pool.ts";
import { OffersService, type CustomerOffer, type OfferView } from "./offers.service.ts";

/** Offers of a job, for the shop. */
@Controller("api/jobs/:jobId/offers")
export class JobOffersController {
  constructor(@Inject(OffersService) private readonly offers: OffersService) {}

  @Get()
  list(@Param("jobId", ParseUUIDPipe) jobId: string): Promise<OfferView[]> {
    return this.offers.list(jobId);
  }

  @Needs("installer")
  @Post()
  make(
    @Param("jobId", ParseUUIDPipe) jobId: string,
    @Me() me: SignedIn,
  ): Promise<OfferView & { readonly token: string }> {
    return this.offers.make(jobId, me);
  }

  @Needs("installer")
  @Post(":id/revoke")
  @HttpCode(200)
  revoke(
    @Param("jobId", ParseUUIDPipe) jobId: string,
    @Param("id", ParseUUIDPipe) id: string,
    @Me() me: SignedIn,
  ): Promise<OfferView> {
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

  @Open()
  @Get()
  read(@Param("token") token: string): Promise<CustomerOffer> {
    return this.offers.open(token);
  }

  @Open()
  @Get("quote.pdf")
  async paper(@Param("token") token: string, @Res() res: Response): Promise<void> {
    const { offer } = await this.offers.open(token);
    const pdf = await this.pool.run<"quoteSheet">({ kind: "quoteSheet", offer });
    sendFile(res, `${offer.title} quote.pdf`, "application/pdf", pdf, "inline");
  }

  @Open()
  @Post("accept")
  @HttpCode(200)
  accept(@Param("token") token: string, @Body() body: AcceptOfferRequest): Promise<CustomerOffer> {
    return this.offers.accept(token, body);
  }
}
