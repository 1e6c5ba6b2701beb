import { Module } from "@nestjs/common";
import { JobsModule } from "../jobs/jobs.module.ts";
import { ShelfModule } from "../shelf/shelf.module.ts";
import { InvoicesController, JobInvoicesController } from "./invoices.controller.ts";
import { InvoicesService } from "./invoices.service.ts";

@Module({
  imports: [JobsModule, ShelfModule],
  controllers: [JobInvoicesController, InvoicesController],
  providers: [InvoicesService],
})
export class InvoicesModule {}
