import { Module } from "@nestjs/common";
import { JobsModule } from "../jobs/jobs.module.ts";
import { PeopleModule } from "../people/people.module.ts";
import { ShelfModule } from "../shelf/shelf.module.ts";
import { CustomerController, JobOffersController } from "./offers.controller.ts";
import { OffersService } from "./offers.service.ts";

@Module({
  imports: [JobsModule, PeopleModule, ShelfModule],
  controllers: [JobOffersController, CustomerController],
  providers: [OffersService],
})
export class OffersModule {}
