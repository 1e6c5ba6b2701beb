import { Type } from "class-transformer";
import {
  Allow,
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsIn,
  IsInt,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
  MinLength,
  ValidateNested,
} from "class-validator";
import { IsId, IsText } from "../fields.ts";

/** The largest revision that the database can count to. */
export const MOST_REVISION = 2_147_483_647;

/** A job that is to be opened: its title, and what it begins with. */
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

/** The outline of one edit; what it puts into a place is checked with the whole document. */
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

/** One batch of edits of a job, as a page keeps and sends it. */
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

/** The revision that a job goes back to, as a new revision. */
export class RestoreRequest {
  @IsInt()
  @Min(0)
  @Max(MOST_REVISION)
  revision!: number;
}
