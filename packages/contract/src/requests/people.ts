import { Type } from "class-transformer";
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  MinLength,
  ValidateNested,
} from "class-validator";
import { IsText } from "../fields.ts";

/** What people of a shop may be, the one who may most first. */
export const ROLES = ["owner", "installer", "viewer"] as const;
/** What somebody of a shop may do. */
export type Role = (typeof ROLES)[number];

const SIGN_IN = /^[a-z0-9][a-z0-9._-]{1,39}$/;

/** Name and password of somebody who comes in. */
export class SignInRequest {
  @IsString()
  @MaxLength(60)
  signIn!: string;

  @IsString()
  @MaxLength(200)
  password!: string;
}

/** A code that another device of the same person shows. */
export class SignInCodeRequest {
  @Matches(/^[A-Za-z0-9_-]{10,60}$/, { message: "code must be one that Settings shows" })
  code!: string;
}

/** Somebody new of the shop. */
export class NewPersonRequest {
  @IsString()
  @MinLength(1)
  @MaxLength(80)
  name!: string;

  @Matches(SIGN_IN, {
    message: "signIn must be 2 to 40 of a–z, 0–9, dot, dash, underscore",
  })
  signIn!: string;

  @IsString()
  @MinLength(10, { message: "password must have 10 characters or more" })
  @MaxLength(200)
  password!: string;

  @IsIn(ROLES)
  role!: Role;
}

/** The first owner of an empty shop names the shop too. */
export class FirstOwnerRequest extends NewPersonRequest {
  @IsString()
  @MinLength(1)
  @MaxLength(80)
  shop!: string;

  /** From the link that the start printed, where it asks for one. */
  @IsOptional()
  @IsString()
  @MaxLength(100)
  word?: string;
}

/** A person's own password, by the one before it. */
export class OwnPasswordRequest {
  @IsString()
  @MaxLength(200)
  current!: string;

  @IsString()
  @MinLength(10, { message: "password must have 10 characters or more" })
  @MaxLength(200)
  next!: string;
}

/** How long sessions last. */
export class SettingsRequest {
  @IsInt()
  @Min(1)
  @Max(720)
  idleHours!: number;

  @IsInt()
  @Min(1)
  @Max(365)
  sessionDays!: number;
}

/** What an owner changes of somebody: only what is there changes. */
export class ChangePersonRequest {
  @IsOptional()
  @IsIn(ROLES)
  role?: Role;

  @IsOptional()
  @IsBoolean()
  active?: boolean;

  @IsOptional()
  @IsString()
  @MinLength(10, { message: "password must have 10 characters or more" })
  @MaxLength(200)
  password?: string;
}

/** A way to look at the board: what is looked for and what is left out, as the address has it. */
export class ViewRequest {
  @IsText(60)
  @MinLength(1, { message: "a view needs a name" })
  name!: string;

  @IsText(300)
  query!: string;
}

/** How a person wants numbers and looks: theirs on every machine. */
export class PreferencesRequest {
  @IsIn(["metric", "us"])
  units!: "metric" | "us";

  @IsIn(["system", "day", "night"])
  theme!: "system" | "day" | "night";

  /** Whether letters and figures act by themselves, outside fields; yes where nothing is said. */
  @IsOptional()
  @IsBoolean()
  singleKeys?: boolean;

  /** Whether the first steps were taken, or left for good. */
  @IsOptional()
  @IsBoolean()
  toured?: boolean;

  /** Ways to look at the board, by name. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(20)
  @ValidateNested({ each: true })
  @Type(() => ViewRequest)
  views?: readonly ViewRequest[];
}
