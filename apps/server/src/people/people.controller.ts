import {
  Body,
  Controller,
  Get,
  Inject,
  Param,
  ParseUUIDPipe,
  Patch,
  Post,
  Query,
} from "@nestjs/common";
import { ApiQuery } from "@nestjs/swagger";
import { ChangePersonRequest, NewPersonRequest, PersonAnswer } from "@dragonet/contract";
import { Audit } from "../audit/audit.ts";
import { Answers, AnswersNew } from "../docs/answers.ts";
import { CurrentUser, RequireRole, type SignedIn } from "./access.ts";
import { PeopleService } from "./people.service.ts";

@RequireRole("owner")
@Controller("api/people")
export class PeopleController {
  constructor(
    @Inject(PeopleService) private readonly people: PeopleService,
    @Inject(Audit) private readonly audit: Audit,
  ) {}

  @Get()
  @ApiQuery({ name: "after", type: String, format: "uuid", required: false })
  @Answers("The shop's people by name, fifty at a time: the first, or those after one", [
    PersonAnswer,
  ])
  list(
    @Query("after", new ParseUUIDPipe({ optional: true })) after?: string,
  ): Promise<PersonAnswer[]> {
    return this.people.list(after ?? null);
  }

  @Post()
  @AnswersNew("Adds somebody", PersonAnswer)
  async add(@Body() body: NewPersonRequest, @CurrentUser() me: SignedIn): Promise<PersonAnswer> {
    const added = await this.people.add(body);
    await this.audit.note(me.name, "added a person", `${added.name}, ${added.role}`);
    return added;
  }

  @Patch(":id")
  @Answers("Changes somebody's role, password or standing", PersonAnswer)
  async change(
    @Param("id", ParseUUIDPipe) id: string,
    @Body() body: ChangePersonRequest,
    @CurrentUser() me: SignedIn,
  ): Promise<PersonAnswer> {
    const changed = await this.people.change(id, body);
    const { name, role, active } = changed;
    const about = `${name}: ${role}${active ? "" : ", closed"}`;
    await this.audit.note(me.name, "changed a person", about);
    if (body.password !== undefined) await this.audit.note(me.name, "changed a password", name);
    return changed;
  }
}
