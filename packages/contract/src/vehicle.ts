import {
  ArrayMaxSize,
  ArrayUnique,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  Max,
  Min,
} from "class-validator";
import {
  BATTERY_CHEMISTRIES,
  CERTAINTIES,
  CHARGING_KINDS,
  CIRCUIT_FAMILIES,
  HAZARDS,
  LIVE_WHEN,
  PACK_CHEMISTRIES,
  PIN_SUPPLIES,
  PLACE_ROLES,
  SWITCHED_SIDES,
  TURN_PRINCIPLES,
  VEHICLE_KINDS,
  type Fact,
} from "@dragonet/core";
import { applyDecorators } from "./applyDecorators.ts";
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
} from "./fields.ts";

/** How many lamps, as far as anybody has counted. */
const IsCountOrNull = (): PropertyDecorator =>
  applyDecorators(IsNullable("integer"), IsInt(), Min(0), Max(20));

class BatteryDto {
  @IsIn(BATTERY_CHEMISTRIES)
  chemistry!: string;

  @IsInt()
  @Min(0)
  @Max(24)
  cells!: number;

  @IsFact()
  capacityAh!: Fact;

  @IsAmount(1, 100)
  hourRate!: number;

  @IsFact()
  peukert!: Fact;

  @IsFact()
  noStartSoc!: Fact;

  @IsFact()
  chargerA!: Fact;
}

class ChargingPointDto {
  @IsId()
  id!: string;

  @IsAmount(0, 30000)
  rpm!: number;

  @IsFact()
  outputA!: Fact;
}

class ChargingDto {
  @IsIn(CHARGING_KINDS)
  kind!: string;

  @IsFact()
  regulatedV!: Fact;

  @IsFact()
  idleRpm!: Fact;

  @IsFact()
  townRpm!: Fact;

  @IsFact()
  cruiseRpm!: Fact;

  @IsListOf(() => ChargingPointDto, 50)
  points!: ChargingPointDto[];
}

class PackDto {
  @IsIn(PACK_CHEMISTRIES)
  chemistry!: string;

  @IsAmount(6, 1000)
  nominalV!: number;

  @IsInt()
  @Min(1)
  @Max(100)
  blocks!: number;

  @IsFact()
  capacityAh!: Fact;

  @IsInt()
  @Min(1)
  @Max(400)
  cells!: number;

  @IsFact()
  topOfChargeV!: Fact;

  @IsFact()
  resistanceOhm!: Fact;

  @IsFact()
  chargerA!: Fact;

  @IsAmount(50, 500)
  inletV!: number;

  @IsFact()
  rangeKm!: Fact;
}

class SystemDto {
  @IsIn(["engine", "pack", "packAndBattery"])
  kind!: string;
}

class EngineSystemDto extends SystemDto {
  @IsObjectOf(() => BatteryDto)
  battery!: BatteryDto;

  @IsObjectOf(() => ChargingDto)
  charging!: ChargingDto;
}

class PackSystemDto extends SystemDto {
  @IsObjectOf(() => PackDto)
  pack!: PackDto;
}

class PackAndBatterySystemDto extends PackSystemDto {
  @IsObjectOf(() => BatteryDto)
  battery!: BatteryDto;
}

class TurnDto {
  @IsIn(TURN_PRINCIPLES)
  principle!: string;

  @IsAmount(0, 100)
  leastA!: number;

  @IsAmount(0, 100)
  ratedA!: number;

  @IsFact()
  ratePerMin!: Fact;

  @IsShare()
  onShare!: number;

  @IsFact()
  bulbW!: Fact;
}

class FactoryLampsDto {
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

class ReachesDto {
  @IsFact()
  frontM!: Fact;

  @IsFact()
  rearM!: Fact;

  @IsFact()
  controlsM!: Fact;
}

class BaseLoadDto {
  @IsId()
  id!: string;

  @IsText(120)
  name!: string;

  @IsFact()
  currentA!: Fact;

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

class ConnectorDto {
  @IsId()
  id!: string;

  @IsText(120)
  name!: string;

  @IsText()
  where!: string;

  @IsRef("a place")
  at!: string;
}

class SizeDto {
  @IsFact()
  lengthM!: Fact;

  @IsFact()
  widthM!: Fact;

  @IsFact()
  heightM!: Fact;
}

class PlaceDto {
  @IsId()
  id!: string;

  @IsText(120)
  name!: string;

  @IsIn(PLACE_ROLES)
  role!: string;

  @IsAmount(0, 20)
  backM!: number;

  @IsAmount(-5, 5)
  rightM!: number;
}

class SegmentDto {
  @IsId()
  id!: string;

  @IsId()
  fromId!: string;

  @IsId()
  toId!: string;

  @IsFact()
  lengthM!: Fact;

  @IsBoolean()
  factory!: boolean;

  @IsArray()
  @ArrayMaxSize(HAZARDS.length)
  @ArrayUnique()
  @IsIn(HAZARDS, { each: true })
  hazards!: string[];

  @IsText()
  note!: string;
}

class ConnectorPinDto {
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
  mayGiveA!: Fact;

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

class VariantDto {
  @IsId()
  id!: string;

  @IsText(120)
  name!: string;
}

export class VehicleDto {
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
