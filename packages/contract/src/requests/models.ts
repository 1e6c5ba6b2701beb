import {
  ArrayMaxSize,
  IsArray,
  IsInt,
  IsObject,
  IsString,
  Max,
  MaxLength,
  Min,
} from "class-validator";
import { MOST_REVISION } from "./jobs.ts";

/** Another shop's file of a model, to be looked at. */
export class CompareModelRequest {
  @IsObject()
  file!: object;
}

/** The same, and what of it is taken over. */
export class TakeModelRequest extends CompareModelRequest {
  /** Ids of differences that were told. */
  @IsArray()
  @ArrayMaxSize(5000)
  @IsString({ each: true })
  @MaxLength(400, { each: true })
  take!: string[];

  /** Revision of the shop's own profile that it was compared with; 0 where it has none. */
  @IsInt()
  @Min(0)
  @Max(MOST_REVISION)
  revision!: number;
}
