import { Module } from "@nestjs/common";
import { PeopleModule } from "../people/people.module.ts";
import { PhotosModule } from "../photos/photos.module.ts";
import { TemplatesController } from "../sheet/templates.controller.ts";
import { PapersController } from "./papers.controller.ts";
import { JobsController } from "./jobs.controller.ts";
import { JobSaves } from "./jobSaves.ts";
import { JobsService } from "./jobs.service.ts";

@Module({
  imports: [PeopleModule, PhotosModule],
  controllers: [JobsController, PapersController, TemplatesController],
  providers: [JobsService, JobSaves],
  exports: [JobsService],
})
export class JobsModule {}
