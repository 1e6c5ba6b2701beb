import { IsIn, IsInt, Max, Min } from "class-validator";
import {
  BASE_LOAD_KINDS,
  BEAM_KINDS,
  CERTAINTIES,
  CIRCUIT_FAMILIES,
  LIVE_WHEN,
  PIN_SUPPLIES,
  SWITCHED_SIDES,
  TURN_PRINCIPLES,
  VEHICLE_KINDS,
  type BoundedValue,
  type TurnFacts,
  type FactoryBeam,
  type FactoryLamps,
  type Reaches,
  type BaseLoad,
  type Connector,
  type ConnectorPin,
  type Vehicle,
  type VehicleVariant,
} from "@dragonet/core";
import { applyDecorators } from "../../applyDecorators.ts";
import { EngineSystemDto, PackAndBatterySystemDto, PackSystemDto, SystemDto } from "./electrics.ts";
import { PhotometryDto } from "../part/photometry.ts";
import { PlaceDto, SegmentDto, SizeDto } from "./routeMap.ts";
import {
  IsAmount,
  IsFact,
  IsId,
  IsKindOf,
  IsListOf,
  IsNullable,
  IsObjectOf,
  IsRef,
  IsShare,
  IsText,
} from "../../fields.ts";
import type { ShapeOf } from "../../shape.ts";

/** How many lamps, as far as anybody has counted. */
const IsCountOrNull = (): PropertyDecorator =>
  applyDecorators(IsNullable("integer"), IsInt(), Min(0), Max(20));

class TurnDto implements ShapeOf<TurnFacts> {
  @IsIn(TURN_PRINCIPLES)
  principle!: string;

  @IsAmount(0, 100)
  leastA!: number;

  @IsAmount(0, 100)
  ratedA!: number;

  @IsFact()
  ratePerMin!: BoundedValue;

  @IsShare()
  onShare!: number;

  @IsFact()
  bulbW!: BoundedValue;
}

class FactoryBeamDto implements ShapeOf<FactoryBeam> {
  @IsId()
  id!: string;

  @IsText(80)
  name!: string;

  @IsIn(BEAM_KINDS)
  beam!: string;

  @IsFact()
  heightM!: BoundedValue;

  @IsFact()
  backM!: BoundedValue;

  @IsAmount(-3, 3)
  rightM!: number;

  @IsAmount(-45, 45)
  tiltDeg!: number;

  @IsObjectOf(() => PhotometryDto)
  photometry!: PhotometryDto;
}

class FactoryLampsDto implements ShapeOf<FactoryLamps> {
  @IsCountOrNull()
  headlight!: number | null;

  @IsCountOrNull()
  rearPosition!: number | null;

  @IsCountOrNull()
  stop!: number | null;

  @IsCountOrNull()
  turnFront!: number | null;

  @IsCountOrNull()
  turnRear!: number | null;
}

class ReachesDto implements ShapeOf<Reaches> {
  @IsFact()
  frontM!: BoundedValue;

  @IsFact()
  rearM!: BoundedValue;

  @IsFact()
  controlsM!: BoundedValue;
}

class BaseLoadDto implements ShapeOf<BaseLoad> {
  @IsId()
  id!: string;

  @IsText(120)
  name!: string;

  @IsIn(BASE_LOAD_KINDS)
  kind!: string;

  @IsRef("a place")
  at!: string;

  @IsFact()
  currentA!: BoundedValue;

  @IsShare()
  parked!: number;

  @IsShare()
  engineOff!: number;

  @IsShare()
  idle!: number;

  @IsShare()
  town!: number;

  @IsShare()
  cruise!: number;
}

class ConnectorDto implements ShapeOf<Connector> {
  @IsId()
  id!: string;

  @IsText(120)
  name!: string;

  @IsText()
  where!: string;

  @IsRef("a place")
  at!: string;

  @IsInt()
  @Min(0)
  @Max(200)
  cavities!: number;

  @IsInt()
  @Min(0)
  @Max(10)
  rows!: number;
}

class ConnectorPinDto implements ShapeOf<ConnectorPin> {
  @IsId()
  id!: string;

  @IsId()
  connectorId!: string;

  @IsIn(PIN_SUPPLIES)
  supply!: string;

  @IsText(20)
  cavity!: string;

  @IsText(40)
  colour!: string;

  @IsText(120)
  carries!: string;

  @IsIn(CIRCUIT_FAMILIES)
  family!: string;

  @IsIn(LIVE_WHEN)
  liveWhen!: string;

  @IsFact()
  mayGiveA!: BoundedValue;

  @IsAmount(0, 500)
  fuseA!: number;

  @IsIn(SWITCHED_SIDES)
  switches!: string;

  @IsRef("a variant")
  variant!: string;

  @IsText(120)
  foundBy!: string;

  @IsIn(CERTAINTIES)
  certainty!: string;
}

class VariantDto implements ShapeOf<VehicleVariant> {
  @IsId()
  id!: string;

  @IsText(120)
  name!: string;
}

export class VehicleDto implements ShapeOf<Vehicle> {
  @IsId()
  profileId!: string;

  @IsText(120)
  model!: string;

  @IsIn(VEHICLE_KINDS)
  kind!: string;

  @IsText(120)
  machine!: string;

  @IsText(2000)
  note!: string;

  @IsInt()
  @Min(0)
  @Max(2100)
  year!: number;

  @IsListOf(() => VariantDto, 20)
  variants!: VariantDto[];

  @IsRef("a variant")
  variant!: string;

  @IsKindOf(
    () => SystemDto,
    [
      { name: "engine", value: EngineSystemDto },
      { name: "pack", value: PackSystemDto },
      { name: "packAndBattery", value: PackAndBatterySystemDto },
    ],
  )
  system!: SystemDto;

  @IsNullable("object")
  @IsObjectOf(() => TurnDto)
  turn!: TurnDto | null;

  @IsObjectOf(() => FactoryLampsDto)
  factoryLamps!: FactoryLampsDto;

  @IsListOf(() => FactoryBeamDto, 20)
  beams!: FactoryBeamDto[];

  @IsObjectOf(() => ReachesDto)
  reaches!: ReachesDto;

  @IsObjectOf(() => SizeDto)
  size!: SizeDto;

  @IsListOf(() => PlaceDto, 200)
  places!: PlaceDto[];

  @IsListOf(() => SegmentDto, 500)
  segments!: SegmentDto[];

  @IsListOf(() => BaseLoadDto, 100)
  baseLoads!: BaseLoadDto[];

  @IsListOf(() => ConnectorDto, 100)
  connectors!: ConnectorDto[];

  @IsListOf(() => ConnectorPinDto, 500)
  pins!: ConnectorPinDto[];
}
