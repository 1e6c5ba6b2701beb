import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsInt,
  IsObject,
  IsOptional,
  IsString,
  IsUUID,
  Matches,
  Max,
  MaxLength,
  Min,
} from "class-validator";
import { IsAmount, IsNullable, IsText } from "../fields.ts";
import { MOST_REVISION } from "./jobs.ts";
import { TEST_STEP } from "../document/fit/reading.ts";

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

/** A table as CSV, at most 4 MB. */
export class CsvRequest {
  @IsString()
  @MaxLength(4_000_000)
  csv!: string;
}

/** A file's text, at most 8 MB. */
export class TextRequest {
  @IsString()
  @MaxLength(8_000_000)
  text!: string;
}

/** A job file that is taken in. */
export class JobFileRequest extends TextRequest {
  /** The job's id, where it was opened before it could be sent: sending it again opens no second one. */
  @IsOptional()
  @IsUUID()
  id?: string;

  /** The sentence that it was planned from, where it was: the history says so. */
  @IsOptional()
  @IsString()
  @MaxLength(1000)
  said?: string;
}

/** One document of the shelf or of vehicles; it is checked by its own class. */
export class DocumentRequest {
  @IsObject()
  value!: object;

  /** Revision the change was made on; 0 for something new. */
  @IsInt()
  @Min(0)
  @Max(MOST_REVISION)
  revision!: number;
}

/** Parts by the names that jobs need them by, and by their ids. */
export class NamedPartsRequest {
  @IsArray()
  @ArrayMaxSize(2000)
  @IsString({ each: true })
  @MaxLength(200, { each: true })
  names!: string[];

  @IsArray()
  @ArrayMaxSize(2000)
  @IsString({ each: true })
  @MaxLength(64, { each: true })
  ids!: string[];
}

/** Jobs that a part which has come in was waited for by. */
export class FreeJobsRequest {
  @IsArray()
  @ArrayMaxSize(200)
  @IsUUID(undefined, { each: true })
  jobs!: string[];
}

/** How much of a part has come in. */
export class ArrivedRequest {
  @IsAmount(0.001)
  count!: number;
}
