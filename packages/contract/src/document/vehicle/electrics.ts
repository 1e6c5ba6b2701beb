import { IsIn, IsInt, Max, Min } from "class-validator";
import {
  BATTERY_CHEMISTRIES,
  CHARGING_KINDS,
  PACK_CHEMISTRIES,
  type BoundedValue,
  type BatteryFacts,
  type ChargingPoint,
  type ChargingFacts,
  type PackFacts,
  type ElectricalSystem,
} from "@dragonet/core";
import { IsAmount, IsFact, IsId, IsListOf, IsObjectOf } from "../../fields.ts";
import type { ShapeOf, ShapeOfKind } from "../../shape.ts";

/** What a vehicle's electrics are made of: battery, charging, traction pack. */
class BatteryDto implements ShapeOf<BatteryFacts> {
  @IsIn(BATTERY_CHEMISTRIES)
  chemistry!: string;

  @IsInt()
  @Min(0)
  @Max(24)
  cells!: number;

  @IsFact()
  capacityAh!: BoundedValue;

  @IsAmount(1, 100)
  hourRate!: number;

  @IsFact()
  peukert!: BoundedValue;

  @IsFact()
  noStartSoc!: BoundedValue;

  @IsFact()
  chargerA!: BoundedValue;
}

class ChargingPointDto implements ShapeOf<ChargingPoint> {
  @IsId()
  id!: string;

  @IsAmount(0, 30000)
  rpm!: number;

  @IsFact()
  outputA!: BoundedValue;
}

class ChargingDto implements ShapeOf<ChargingFacts> {
  @IsIn(CHARGING_KINDS)
  kind!: string;

  @IsFact()
  regulatedV!: BoundedValue;

  @IsFact()
  idleRpm!: BoundedValue;

  @IsFact()
  townRpm!: BoundedValue;

  @IsFact()
  cruiseRpm!: BoundedValue;

  @IsListOf(() => ChargingPointDto, 50)
  points!: ChargingPointDto[];
}

class PackDto implements ShapeOf<PackFacts> {
  @IsIn(PACK_CHEMISTRIES)
  chemistry!: string;

  @IsAmount(6, 1000)
  nominalV!: number;

  @IsInt()
  @Min(1)
  @Max(100)
  blocks!: number;

  @IsFact()
  capacityAh!: BoundedValue;

  @IsInt()
  @Min(1)
  @Max(400)
  cells!: number;

  @IsFact()
  topOfChargeV!: BoundedValue;

  @IsFact()
  resistanceOhm!: BoundedValue;

  @IsFact()
  chargerA!: BoundedValue;

  @IsAmount(50, 500)
  inletV!: number;

  @IsFact()
  rangeKm!: BoundedValue;
}

export class SystemDto {
  @IsIn(["engine", "pack", "packAndBattery"])
  kind!: string;
}

export class EngineSystemDto extends SystemDto implements ShapeOfKind<ElectricalSystem, "engine"> {
  @IsObjectOf(() => BatteryDto)
  battery!: BatteryDto;

  @IsObjectOf(() => ChargingDto)
  charging!: ChargingDto;
}

export class PackSystemDto extends SystemDto implements ShapeOfKind<ElectricalSystem, "pack"> {
  @IsObjectOf(() => PackDto)
  pack!: PackDto;
}

export class PackAndBatterySystemDto
  extends PackSystemDto
  implements ShapeOfKind<ElectricalSystem, "packAndBattery">
{
  @IsObjectOf(() => BatteryDto)
  battery!: BatteryDto;
}
