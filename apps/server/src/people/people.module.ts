import { Global, Module } from "@nestjs/common";
import { PeopleController } from "./people.controller.ts";
import { KnownPeople } from "./knownPeople.ts";
import { PeopleService } from "./people.service.ts";
import { SessionController } from "./session.controller.ts";
import { Sessions } from "./sessions.ts";
import { SignInCodes } from "./signInCodes.ts";
import { SignInTries } from "./signInTries.ts";

@Global()
@Module({
  controllers: [SessionController, PeopleController],
  providers: [PeopleService, KnownPeople, Sessions, SignInCodes, SignInTries],
  exports: [PeopleService, KnownPeople, Sessions],
})
export class PeopleModule {}
