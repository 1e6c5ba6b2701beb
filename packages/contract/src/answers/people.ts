import { IsBoolean, IsIn, IsInt, IsString, IsUUID, Min } from "class-validator";
import { IsMoment, IsNullable, IsObjectOf } from "../fields.ts";
import { PreferencesRequest, ROLES, type Role } from "../requests/index.ts";

/** Somebody of the shop, as that person's own pages need to know. */
export class SignedInAnswer {
  @IsUUID()
  readonly id!: string;

  @IsString()
  readonly name!: string;

  @IsIn(ROLES)
  readonly role!: Role;

  @IsObjectOf(() => PreferencesRequest)
  readonly preferences!: PreferencesRequest;
}

/** Who is signed in here, if anybody, and where. */
export class SessionAnswer {
  @IsNullable("object")
  @IsObjectOf(() => SignedInAnswer)
  readonly person!: SignedInAnswer | null;

  @IsString()
  readonly shop!: string;

  /** Nobody is known yet: whoever comes first names the shop. */
  @IsBoolean()
  readonly needsFirstOwner!: boolean;
}

/** Somebody of the shop, as its owner sees them. */
export class PersonAnswer {
  @IsUUID()
  readonly id!: string;

  @IsString()
  readonly name!: string;

  @IsString()
  readonly signIn!: string;

  @IsIn(ROLES)
  readonly role!: Role;

  @IsBoolean()
  readonly active!: boolean;
}

/** One place where a person is signed in. */
export class OwnSessionAnswer {
  /** Not the session's own id, which is a key to it. */
  @IsString()
  readonly id!: string;

  @IsMoment()
  readonly begunAt!: string;

  @IsMoment()
  readonly seenAt!: string;

  /** What the browser says of itself. */
  @IsString()
  readonly agent!: string;

  @IsString()
  readonly address!: string;

  /** It is the one that asks. */
  @IsBoolean()
  readonly current!: boolean;
}

/** A code for another device of one's own. */
export class SignInCodeAnswer {
  @IsString()
  readonly code!: string;

  /** Until when it is taken. */
  @IsMoment()
  readonly until!: string;
}

/** One line of the trail: who did what beside editing jobs. */
export class AuditAnswer {
  @IsInt()
  @Min(1)
  readonly id!: number;

  @IsMoment()
  readonly at!: string;

  @IsString()
  readonly who!: string;

  @IsString()
  readonly action!: string;

  @IsString()
  readonly about!: string;
}
