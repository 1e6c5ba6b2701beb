import { ArrayMaxSize, IsArray, IsBoolean, IsIn, IsInt, Max, Min } from "class-validator";
import { JSONSchema } from "class-validator-jsonschema";
import {
  ARRANGEMENTS,
  COIL_CHOICES,
  COIL_TERMINALS,
  INPUTS,
  RELAY_CHOICES,
  RETURN_CHOICES,
  SUPPLY_GATES,
  SUPPLY_SWITCHING,
  SWITCHED_SIDES,
  type Condition,
  type BoundedValue,
  type Feed,
  type FusePin,
  type Supply,
  type KitSwitch,
  type LightingCircuit,
} from "@dragonet/core";
import { IsCondition } from "./condition.ts";
import {
  IsAmount,
  IsFact,
  IsId,
  IsKindOf,
  IsNullable,
  IsObjectOf,
  IsRef,
  IsShare,
  IsText,
} from "../fields.ts";
import { BehaviourDto } from "./part/behaviour.ts";
import type { ShapeOf, ShapeOfKind } from "../shape.ts";

class FeedDto {
  @IsIn(["battery", "pin", "supply", "pack", "block"])
  kind!: string;
}
class SupplyFeedDto extends FeedDto implements ShapeOfKind<Feed, "supply"> {
  @IsId()
  supplyId!: string;
}
class BlockFeedDto extends FeedDto implements ShapeOfKind<Feed, "block"> {
  @IsInt()
  @Min(1)
  @Max(100)
  blocks!: number;
}
class PinFeedDto extends FeedDto implements ShapeOfKind<Feed, "pin"> {
  @IsId()
  pinId!: string;
}

class FusePinDto {
  @IsIn(["auto", "rating", "breaker", "none"])
  kind!: string;
}
class RatingFusePinDto extends FusePinDto implements ShapeOfKind<FusePin, "rating"> {
  @IsAmount(0.1, 500)
  ratingA!: number;
}

const FEED_TYPES = [
  { name: "battery", value: FeedDto },
  { name: "pin", value: PinFeedDto },
  { name: "supply", value: SupplyFeedDto },
  { name: "pack", value: FeedDto },
  { name: "block", value: BlockFeedDto },
];

const FUSE_TYPES = [
  { name: "auto", value: FusePinDto },
  { name: "rating", value: RatingFusePinDto },
  { name: "breaker", value: RatingFusePinDto },
  { name: "none", value: FusePinDto },
];

export class SupplyDto implements ShapeOf<Supply> {
  @IsId()
  id!: string;

  @IsText(120)
  name!: string;

  @IsId()
  partId!: string;

  @IsKindOf(() => FeedDto, FEED_TYPES)
  feed!: FeedDto;

  @IsIn(SUPPLY_GATES)
  gate!: string;

  @IsKindOf(() => FusePinDto, FUSE_TYPES)
  fuse!: FusePinDto;

  @IsNullable("string")
  @IsText(20)
  wire!: string | null;

  @IsFact()
  fuseAtM!: BoundedValue;

  @IsFact()
  feedM!: BoundedValue;

  @IsIn(SUPPLY_SWITCHING)
  switches!: string;

  @IsRef("a place")
  at!: string;
}

export class KitSwitchDto implements ShapeOf<KitSwitch> {
  @IsId()
  id!: string;

  @IsText(120)
  name!: string;

  @IsArray()
  @ArrayMaxSize(12)
  @IsIn(INPUTS, { each: true })
  inputs!: string[];

  @IsNullable("string")
  @IsId()
  switchPartId!: string | null;

  @IsInt()
  @Min(1)
  @Max(12)
  poles!: number;

  @IsKindOf(() => FeedDto, FEED_TYPES)
  feed!: FeedDto;

  @IsFact()
  feedM!: BoundedValue;

  @IsKindOf(() => FusePinDto, FUSE_TYPES)
  fuse!: FusePinDto;

  @IsNullable("string")
  @IsText(20)
  wire!: string | null;

  @IsRef("a control")
  housing!: string;

  @IsBoolean()
  momentary!: boolean;

  @IsIn(SWITCHED_SIDES)
  switches!: string;

  @IsRef("a place")
  at!: string;
}

export class LightingCircuitDto implements ShapeOf<LightingCircuit> {
  @IsId()
  id!: string;

  @IsText(120)
  name!: string;

  @IsKindOf(() => FeedDto, FEED_TYPES)
  feed!: FeedDto;

  @IsInt()
  @Min(0)
  @Max(48)
  channel!: number;

  @IsRef("a module")
  throughId!: string;

  @IsNullable("object")
  @IsObjectOf(() => BehaviourDto)
  program!: BehaviourDto | null;

  @JSONSchema({
    type: "object",
    additionalProperties: false,
    required: ["anyOf"],
    properties: {
      anyOf: {
        type: "array",
        minItems: 1,
        items: {
          type: "array",
          items: {
            type: "object",
            additionalProperties: false,
            required: ["input", "negated"],
            properties: { input: { enum: [...INPUTS] }, negated: { type: "boolean" } },
          },
        },
      },
    },
  })
  @IsCondition()
  condition!: Condition;

  @IsIn(RELAY_CHOICES)
  relay!: string;

  @IsIn(COIL_CHOICES)
  coil!: string;

  @IsIn(COIL_TERMINALS)
  coilPlus!: string;

  @IsIn(RETURN_CHOICES)
  return!: string;

  @IsKindOf(() => FusePinDto, FUSE_TYPES)
  fuse!: FusePinDto;

  @IsNullable("string")
  @IsText(20)
  wire!: string | null;

  @IsNullable("string")
  @IsId()
  switchPartId!: string | null;

  @IsNullable("string")
  @IsId()
  relayPartId!: string | null;

  @IsNullable("string")
  @IsId()
  connectorPartId!: string | null;

  @IsIn(ARRANGEMENTS)
  arrangement!: string;

  @IsInt()
  @Min(1)
  @Max(50)
  perStep!: number;

  @IsNullable("string")
  @IsId()
  tapPinId!: string | null;

  @IsFact()
  fuseAtM!: BoundedValue;

  @IsFact()
  feedM!: BoundedValue;

  @IsFact()
  loadM!: BoundedValue;

  @IsFact()
  branchM!: BoundedValue;

  @IsFact()
  controlM!: BoundedValue;

  @IsFact()
  tapM!: BoundedValue;

  @IsRef("a place")
  relayAt!: string;

  @IsRef("a place")
  switchAt!: string;

  @IsRef("a place")
  spliceAt!: string;

  @IsShare()
  onEngineOff!: number;

  @IsShare()
  onIdle!: number;

  @IsShare()
  onTown!: number;

  @IsShare()
  onCruise!: number;
}
