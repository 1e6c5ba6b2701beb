import { Body, Controller, Get, Inject, Param, ParseUUIDPipe, Patch, Post } from "@nestjs/common";
import { ChangePersonRequest, NewPersonRequest } from "@dragonet/contract";
import { Needs } from "./access.ts";
import { PeopleService, type PersonView } from "./people.service.ts";

@Needs("owner")
@Controller("api/people")
export class PeopleController {
  constructor(@Inject(PeopleService) private readonly people: PeopleService) {}

  @Get()
  list(): Promise<PersonView[]> {
    return this.people.list();
  }

  @Post()
  add(@Body() body: NewPersonRequest): Promise<PersonView> {
    return this.people.add(body);
  }

  @Patch(":id")
  change(
    @Param("id", ParseUUIDPipe) id: string,
    @Body() body: ChangePersonRequest,
  ): Promise<PersonView> {
    return this.people.change(id, body);
  }
}
