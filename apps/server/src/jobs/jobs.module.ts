import { Module } from "@nestjs/common";
import { PeopleModule } from "../people/people.module.ts";
import { PhotosModule } from "../photos/photos.module.ts";
import { TemplatesController } from "../sheet/templates.controller.ts";
import { PapersController } from "./papers.controller.ts";
import { VehiclesModule } from "../vehicles/vehicles.module.ts";
import { BoardController } from "./board.controller.ts";
import { BoardService } from "./board.service.ts";
import { JobsController } from "./jobs.controller.ts";
import { JobSaves } from "./jobSaves.ts";
import { JobsService } from "./jobs.service.ts";

@Module({
  imports: [PeopleModule, PhotosModule, VehiclesModule],
  controllers: [BoardController, JobsController, PapersController, TemplatesController],
  providers: [BoardService, JobsService, JobSaves],
  exports: [BoardService, JobsService, JobSaves],
})
export class JobsModule {}
