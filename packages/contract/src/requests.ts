import "reflect-metadata";
import { Type } from "class-transformer";
import {
  Allow,
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsObject,
  IsOptional,
  IsString,
  IsUUID,
  Matches,
  Max,
  MaxLength,
  Min,
  MinLength,
  ValidateNested,
} from "class-validator";
import { IsId, IsNullable, IsText } from "./fields.ts";
import { TEST_STEP } from "./document/fit/reading.ts";

/** The largest revision that the database can count to. */
export const MOST_REVISION = 2_147_483_647;

export const ROLES = ["owner", "installer", "viewer"] as const;
export type Role = (typeof ROLES)[number];

const SIGN_IN = /^[a-z0-9][a-z0-9._-]{1,39}$/;

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

/** Which step a meter is asked for. */
export class MeterStepQuery {
  @Matches(TEST_STEP, { message: "step must be one of the test script's" })
  step!: string;
}

/** How a drill or a hidden fault went. */
export class TrainingResultRequest {
  @IsUUID()
  id!: string;

  @Matches(/^[A-Za-z][A-Za-z0-9:]{0,59}$/, { message: "topic must be a drill or a kind of fault" })
  topic!: string;

  @IsBoolean()
  right!: boolean;

  @IsNullable("integer")
  @IsInt()
  @Min(0)
  @Max(100)
  score!: number | null;

  @IsText(500)
  about!: string;
}

/** A customer's word on an offer: which choice, and who says so. */
export class AcceptOfferRequest {
  /** Id of an option; "" for the plan itself. */
  @Matches(/^([A-Za-z0-9][A-Za-z0-9_-]{0,63})?$/, { message: "choice must be one of the offer's" })
  choice!: string;

  @IsText(120)
  @Matches(/\S/, { message: "name must be yours: write it as you sign" })
  name!: string;
}

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

export class NewJobRequest {
  @IsText(160)
  @MinLength(1, { message: "title must not be empty" })
  title!: string;

  @IsText(160)
  customer!: string;

  @IsId()
  profileId!: string;

  @IsText(120)
  machine!: string;
}

export class EditDto {
  @IsIn(["setOnce", "set", "add", "remove", "replaceSystem"])
  kind!: string;

  @IsOptional()
  @IsString()
  @MaxLength(40)
  entity?: string;

  @IsOptional()
  @IsId()
  id?: string;

  @IsOptional()
  @IsString()
  @MaxLength(40)
  field?: string;

  @IsOptional()
  @IsInt()
  @Min(0)
  @Max(10000)
  at?: number;

  /** Checked with the whole document once the edit is applied. */
  @Allow()
  value?: unknown;
}

/** One act of a person: edits that are taken together or not at all. */
export class ActDto {
  @IsId()
  id!: string;

  /** How many of the batch's edits it has. */
  @IsInt()
  @Min(1)
  @Max(2000)
  edits!: number;
}

export class EditsRequest {
  /** Revision of the document that the person had before the edits. */
  @IsInt()
  @Min(0)
  @Max(MOST_REVISION)
  baseRevision!: number;

  /** Acts of the same person that lay on it as well, not yet taken by the server then. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(20_000)
  @IsId({ each: true })
  follows?: string[];

  /**
   * The acts that the edits fall into, in their order, each with how many edits it has. An act
   * is taken once, in whatever batch it comes; without them the batch is one act of its id.
   */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(2000)
  @ValidateNested({ each: true })
  @Type(() => ActDto)
  acts?: ActDto[];

  /** Acts that the person gave up when asked to choose between two wishes. */
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(2000)
  @IsId({ each: true })
  givenUp?: string[];

  /** Revision of the page by now: it is told the changes after it. */
  @IsOptional()
  @IsInt()
  @Min(0)
  @Max(MOST_REVISION)
  known?: number;

  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(2000)
  @ValidateNested({ each: true })
  @Type(() => EditDto)
  edits!: EditDto[];

  /** One number per batch from a client, so that a batch sent twice is taken once. */
  @IsId()
  batchId!: string;
}

export class RestoreRequest {
  @IsInt()
  @Min(0)
  @Max(MOST_REVISION)
  revision!: number;
}

export class CsvRequest {
  @IsString()
  @MaxLength(4_000_000)
  csv!: string;
}

export class TextRequest {
  @IsString()
  @MaxLength(8_000_000)
  text!: string;
}

export class DocumentRequest {
  @IsObject()
  value!: object;

  /** Revision the change was made on; 0 for something new. */
  @IsInt()
  @Min(0)
  @Max(MOST_REVISION)
  revision!: number;
}
