import { IsIn, IsInt, Max, Min } from "class-validator";
import { BATTERY_CHEMISTRIES, CHARGING_KINDS, PACK_CHEMISTRIES, type Fact } from "@dragonet/core";
import { IsAmount, IsFact, IsId, IsListOf, IsObjectOf } from "../../fields.ts";

/** What a vehicle's electrics are made of: battery, charging, traction pack. */
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

export class SystemDto {
  @IsIn(["engine", "pack", "packAndBattery"])
  kind!: string;
}

export class EngineSystemDto extends SystemDto {
  @IsObjectOf(() => BatteryDto)
  battery!: BatteryDto;

  @IsObjectOf(() => ChargingDto)
  charging!: ChargingDto;
}

export class PackSystemDto extends SystemDto {
  @IsObjectOf(() => PackDto)
  pack!: PackDto;
}

export class PackAndBatterySystemDto extends PackSystemDto {
  @IsObjectOf(() => BatteryDto)
  battery!: BatteryDto;
}
