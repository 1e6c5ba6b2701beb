import { Body, Controller, Get, Inject, Param, ParseUUIDPipe, Patch, Post } from "@nestjs/common";
import { ChangePersonRequest, NewPersonRequest } from "@dragonet/contract";
import { Audit } from "../audit/audit.ts";
import { Me, Needs, type SignedIn } from "./access.ts";
import { PeopleService, type PersonView } from "./people.service.ts";

@Needs("owner")
@Controller("api/people")
export class PeopleController {
  constructor(
    @Inject(PeopleService) private readonly people: PeopleService,
    @Inject(Audit) private readonly audit: Audit,
  ) {}

  @Get()
  list(): Promise<PersonView[]> {
    return this.people.list();
  }

  @Post()
  async add(@Body() body: NewPersonRequest, @Me() me: SignedIn): Promise<PersonView> {
    const added = await this.people.add(body);
    await this.audit.note(me.name, "added a person", `${added.name}, ${added.role}`);
    return added;
  }

  @Patch(":id")
  async change(
    @Param("id", ParseUUIDPipe) id: string,
    @Body() body: ChangePersonRequest,
    @Me() me: SignedIn,
  ): Promise<PersonView> {
    const changed = await this.people.change(id, body);
    const { name, role, active } = changed;
    const about = `${name}: ${role}${active ? "" : ", closed"}`;
    await this.audit.note(me.name, "changed a person", about);
    if (body.password !== undefined) await this.audit.note(me.name, "changed a password", name);
    return changed;
  }
}
