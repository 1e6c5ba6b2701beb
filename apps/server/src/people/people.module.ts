import { Global, Module } from "@nestjs/common";
import { PeopleController } from "./people.controller.ts";
import { KnownPeople } from "./knownPeople.ts";
import { PeopleService } from "./people.service.ts";
import { SessionController } from "./session.controller.ts";

@Global()
@Module({
  controllers: [SessionController, PeopleController],
  providers: [PeopleService, KnownPeople],
  exports: [PeopleService, KnownPeople],
})
export class PeopleModule {}
