import {
  Body,
  Controller,
  Get,
  Inject,
  Param,
  ParseIntPipe,
  ParseUUIDPipe,
  Post,
  Put,
  Res,
} from "@nestjs/common";
import type { Response } from "express";
import {
  BillingAnswer,
  BillingRequest,
  JobInvoicesAnswer,
  KeptInvoiceAnswer,
  NewInvoiceRequest,
} from "@dragonet/contract";
import { printInvoicesCsv } from "@dragonet/core";
import { Answers, AnswersFile, AnswersNew, AnswersNothing } from "../docs/answers.ts";
import { sendFile } from "../http/download.ts";
import { CurrentUser, RequireRole, type SignedIn } from "../people/access.ts";
import { WorkPool } from "../work/pool.ts";
import { InvoicesService } from "./invoices.service.ts";
import { printUbl } from "./ubl.ts";

/** Invoices of a job. */
@Controller("api/jobs/:jobId/invoices")
export class JobInvoicesController {
  constructor(
    @Inject(InvoicesService) private readonly invoices: InvoicesService,
    @Inject(WorkPool) private readonly pool: WorkPool,
  ) {}

  @Get()
  @Answers("A job's invoices, and what the next one begins with", JobInvoicesAnswer)
  list(@Param("jobId", ParseUUIDPipe) jobId: string): Promise<JobInvoicesAnswer> {
    return this.invoices.list(jobId);
  }

  @RequireRole("installer")
  @Post()
  @AnswersNew("Makes an invoice of the job as it is saved", KeptInvoiceAnswer)
  make(
    @Param("jobId", ParseUUIDPipe) jobId: string,
    @Body() body: NewInvoiceRequest,
    @CurrentUser() me: SignedIn,
  ): Promise<KeptInvoiceAnswer> {
    return this.invoices.make(jobId, body, me);
  }

  @RequireRole("installer")
  @Post(":id/cancel")
  @Answers("Takes an invoice back by another one", KeptInvoiceAnswer)
  cancel(
    @Param("jobId", ParseUUIDPipe) jobId: string,
    @Param("id", ParseUUIDPipe) id: string,
    @CurrentUser() me: SignedIn,
  ): Promise<KeptInvoiceAnswer> {
    return this.invoices.cancel(jobId, id, me);
  }

  @Get(":id/invoice.pdf")
  @AnswersFile("An invoice on paper", "application/pdf")
  async paper(
    @Param("jobId", ParseUUIDPipe) jobId: string,
    @Param("id", ParseUUIDPipe) id: string,
    @Res() res: Response,
  ): Promise<void> {
    const invoice = await this.invoices.read(jobId, id);
    const pdf = await this.pool.run<"invoiceSheet">({ kind: "invoiceSheet", invoice });
    sendFile(res, `${invoice.number}.pdf`, "application/pdf", pdf, "inline");
  }

  @Get(":id/invoice.xml")
  @AnswersFile("An invoice as other programs read it: OASIS UBL 2.1, EN 16931", "application/xml")
  async ubl(
    @Param("jobId", ParseUUIDPipe) jobId: string,
    @Param("id", ParseUUIDPipe) id: string,
    @Res() res: Response,
  ): Promise<void> {
    const invoice = await this.invoices.read(jobId, id);
    sendFile(res, `${invoice.number}.xml`, "application/xml", printUbl(invoice));
  }
}

/** What all invoices of the shop say, and what they came to. */
@Controller("api/invoices")
export class InvoicesController {
  constructor(@Inject(InvoicesService) private readonly invoices: InvoicesService) {}

  @RequireRole("owner")
  @Get("billing")
  @Answers("What the shop's invoices say of it", BillingAnswer)
  async billing(): Promise<BillingAnswer> {
    return { billing: await this.invoices.billing() };
  }

  @RequireRole("owner")
  @Put("billing")
  @AnswersNothing("Keeps what the shop's invoices say of it")
  setBilling(@Body() body: BillingRequest, @CurrentUser() me: SignedIn): Promise<void> {
    return this.invoices.setBilling(body, me);
  }

  @RequireRole("owner")
  @Get(":year/file")
  @AnswersFile("Every invoice of a year as a table", "text/csv")
  async file(@Param("year", ParseIntPipe) year: number, @Res() res: Response): Promise<void> {
    const list = await this.invoices.ofYear(year);
    sendFile(res, `invoices ${year}.csv`, "text/csv", printInvoicesCsv(list));
  }
}
