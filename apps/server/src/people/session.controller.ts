import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Inject,
  Post,
  Put,
  Req,
  UseGuards,
} from "@nestjs/common";
import { ThrottlerGuard } from "@nestjs/throttler";
import type { Request } from "express";
import { FirstOwnerRequest, PreferencesRequest, SignInRequest } from "@dragonet/contract";
import { Me, Open, type SignedIn } from "./access.ts";
import { PeopleService } from "./people.service.ts";

/** A fresh session for a person: a new id, so that one planted before sign-in is worth nothing. */
function begin(req: Request, personId: string): Promise<void> {
  return new Promise((done, fail) => {
    req.session.regenerate((error?: unknown) => {
      if (error) return fail(error);
      req.session.personId = personId;
      req.session.save((failure?: unknown) => (failure ? fail(failure) : done()));
    });
  });
}

@Controller("api/session")
export class SessionController {
  constructor(@Inject(PeopleService) private readonly people: PeopleService) {}

  @Open()
  @Get()
  async read(@Req() req: Request & { person?: SignedIn }) {
    return {
      person: req.person ?? null,
      shop: await this.people.shopName(),
      needsFirstOwner: req.person ? false : await this.people.nobodyYet(),
    };
  }

  @Open()
  @UseGuards(ThrottlerGuard)
  @Post()
  @HttpCode(204)
  async signIn(@Body() body: SignInRequest, @Req() req: Request): Promise<void> {
    await begin(req, await this.people.signIn(body.signIn, body.password));
  }

  @Open()
  @UseGuards(ThrottlerGuard)
  @Post("first-owner")
  @HttpCode(204)
  async firstOwner(@Body() body: FirstOwnerRequest, @Req() req: Request): Promise<void> {
    const owner = await this.people.addFirstOwner(body);
    await begin(req, owner.id);
  }

  @Open()
  @Delete()
  @HttpCode(204)
  async signOut(@Req() req: Request): Promise<void> {
    await new Promise<void>((done) => req.session.destroy(() => done()));
  }

  @Put("preferences")
  @HttpCode(204)
  async preferences(@Body() body: PreferencesRequest, @Me() me: SignedIn): Promise<void> {
    await this.people.setPreferences(me.id, { units: body.units, theme: body.theme });
  }
}
