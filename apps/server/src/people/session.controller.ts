import { Body, Controller, Delete, Get, Inject, Param, Post, Put, Req } from "@nestjs/common";
import type { Request } from "express";
import {
  FirstOwnerRequest,
  OwnPasswordRequest,
  OwnSessionAnswer,
  PreferencesRequest,
  SessionAnswer,
  SignInCodeAnswer,
  SignInCodeRequest,
  SignInRequest,
} from "@dragonet/contract";
import { Audit } from "../audit/audit.ts";
import { Answers, AnswersNothing } from "../docs/answers.ts";
import { forbidden } from "../http/refusal.ts";
import { CurrentUser, Public, type SignedIn } from "./access.ts";
import { PeopleService } from "./people.service.ts";
import { Sessions } from "./sessions.ts";
import { SignInCodes } from "./signInCodes.ts";
import { SignInTries } from "./signInTries.ts";

/** The one-time word that the first owner's link carries; "" where none is asked for. */
const firstOwnerWord = (): string => process.env.DRAGONET_FIRST_OWNER ?? "";

@Controller("api/session")
export class SessionController {
  constructor(
    @Inject(PeopleService) private readonly people: PeopleService,
    @Inject(Sessions) private readonly sessions: Sessions,
    @Inject(SignInCodes) private readonly codes: SignInCodes,
    @Inject(SignInTries) private readonly tries: SignInTries,
    @Inject(Audit) private readonly audit: Audit,
  ) {}

  @Public()
  @Get()
  @Answers("Who is signed in, if anybody", SessionAnswer)
  async read(@Req() req: Request & { person?: SignedIn }): Promise<SessionAnswer> {
    return {
      person: req.person ?? null,
      shop: await this.people.shopName(),
      needsFirstOwner: req.person ? false : await this.people.nobodyYet(),
    };
  }

  @Public()
  @Post()
  @AnswersNothing("Signs in: the answer sets the session's cookie")
  async signIn(@Body() body: SignInRequest, @Req() req: Request): Promise<void> {
    const address = req.ip ?? "";
    await this.tries.begin(body.signIn, address);
    const id = await this.people
      .signIn(body.signIn, body.password)
      .catch(async (error: unknown) => {
        await this.audit.note(body.signIn, "could not sign in", address);
        throw error;
      });
    await this.tries.succeeded(body.signIn, address);
    await this.sessions.begin(req, id);
    await this.audit.note(body.signIn, "signed in", address);
  }

  /** A code for another device of one's own: for two minutes, once. */
  @Post("code")
  @Answers("A code for another device of one's own", SignInCodeAnswer)
  async code(@CurrentUser() me: SignedIn): Promise<SignInCodeAnswer> {
    return this.codes.make(me.id);
  }

  @Public()
  @Post("by-code")
  @AnswersNothing("Signs in by a code")
  async signInByCode(@Body() body: SignInCodeRequest, @Req() req: Request): Promise<void> {
    const address = req.ip ?? "";
    await this.tries.begin(`code ${address}`, address);
    const { id, signIn } = await this.codes.take(body.code);
    await this.tries.succeeded(`code ${address}`, address);
    await this.sessions.begin(req, id);
    await this.audit.note(signIn, "signed in", `by a code, from ${address}`);
  }

  @Public()
  @Post("first-owner")
  @AnswersNothing("Names an empty shop and its first owner")
  async firstOwner(@Body() body: FirstOwnerRequest, @Req() req: Request): Promise<void> {
    if (firstOwnerWord() !== "" && body.word !== firstOwnerWord()) {
      throw forbidden("the first owner comes by the link that the start printed");
    }
    const owner = await this.people.addFirstOwner(body);
    await this.sessions.begin(req, owner.id);
    await this.audit.note(owner.name, "signed in", "as the first owner");
  }

  @Public()
  @Delete()
  @AnswersNothing("Signs out")
  async signOut(@Req() req: Request & { person?: SignedIn }): Promise<void> {
    await this.sessions.end(req);
    if (req.person) await this.audit.note(req.person.name, "signed out");
  }

  @Put("preferences")
  @AnswersNothing("Keeps how one likes things")
  async preferences(@Body() body: PreferencesRequest, @CurrentUser() me: SignedIn): Promise<void> {
    // All that the request may say, and it may say no more than its class has.
    await this.people.setPreferences(me.id, { ...body });
  }

  /** A new password of one's own: all other sessions of the person end. */
  @Put("password")
  @AnswersNothing("A new password of one's own")
  async password(
    @Body() body: OwnPasswordRequest,
    @CurrentUser() me: SignedIn,
    @Req() req: Request,
  ): Promise<void> {
    await this.tries.begin(`own ${me.id}`, req.ip ?? "");
    await this.people.changeOwnPassword(me.id, body.current, body.next);
    await this.tries.succeeded(`own ${me.id}`, req.ip ?? "");
    await this.sessions.endAll(me.id, req.sessionID);
    await this.audit.note(me.name, "changed a password", "their own");
  }

  /** Where a person is signed in. */
  @Get("mine")
  @Answers("Where one is signed in", [OwnSessionAnswer])
  mine(@CurrentUser() me: SignedIn, @Req() req: Request): Promise<OwnSessionAnswer[]> {
    return this.sessions.list(me.id, req.sessionID);
  }

  @Delete("mine/:id")
  @AnswersNothing("Ends one's session elsewhere")
  async endMine(@Param("id") id: string, @CurrentUser() me: SignedIn): Promise<void> {
    await this.sessions.endOne(me.id, id);
    await this.audit.note(me.name, "ended a session");
  }
}
