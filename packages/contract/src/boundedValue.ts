import { IsIn, IsNumber, Max, Min } from "class-validator";
import { PROVENANCES, type BoundedValue, type Provenance } from "@dragonet/core";

/** No fact on a small vehicle reaches this in any unit; a limit stops nonsense early. */
const LARGEST = 1e6;

export class BoundedValueDto implements BoundedValue {
  @IsNumber()
  @Min(0)
  @Max(LARGEST)
  value!: number;

  @IsNumber()
  @Min(0)
  @Max(LARGEST)
  low!: number;

  @IsNumber()
  @Min(0)
  @Max(LARGEST)
  high!: number;

  @IsIn(PROVENANCES)
  provenance!: Provenance;
}
