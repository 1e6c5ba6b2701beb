import { Matches } from "class-validator";
import type { BoundedValue, HarnessJoint, Harness, WireChoice } from "@dragonet/core";
import { CIRCUIT_ID, IsFact, IsId, IsListOf, IsNullable, IsRef, IsText } from "../fields.ts";
import type { ShapeOf } from "../shape.ts";

/** Where a harness goes between the halves of a factory connector. */
class HarnessJointDto implements ShapeOf<HarnessJoint> {
  @IsId()
  id!: string;

  @IsRef("a connector")
  connectorId!: string;

  @IsText(40)
  mark!: string;
}

/** A harness that comes made up. */
export class HarnessDto implements ShapeOf<Harness> {
  @IsId()
  id!: string;

  @IsText(120)
  name!: string;

  @IsText()
  note!: string;

  @IsListOf(() => HarnessJointDto, 20)
  joints!: HarnessJointDto[];
}

/** What was said about one wire of the circuit. */
export class WireChoiceDto implements ShapeOf<WireChoice> {
  @IsId()
  id!: string;

  @Matches(CIRCUIT_ID)
  wire!: string;

  @IsRef("a harness")
  harnessId!: string;

  @IsText(40)
  colour!: string;

  @IsText(20)
  gaugeId!: string;

  @IsNullable("object")
  @IsFact()
  lengthM!: BoundedValue | null;
}
