import { Equals, IsIn, IsInt, Matches, Max, Min } from "class-validator";
import {
  BLOCKER_KINDS,
  DEVIATION_KINDS,
  WIRE_ENDS,
  JOB_FORMAT,
  PURPOSES,
  STAGES,
  type JobCard,
  type Wish,
  type Blocker,
  type KitItem,
  type Use,
  type SignalPlay,
  type RideLeg,
  type Job,
  type WiringDeviation,
} from "@dragonet/core";
import {
  CIRCUIT_ID,
  IsAmount,
  IsId,
  IsListOf,
  IsListOfKinds,
  IsObjectOf,
  IsShare,
  IsText,
} from "../fields.ts";
import {
  BondDto,
  CheckDto,
  HoleDto,
  LandmarkDto,
  MountDto,
  PhotoDto,
  TemplateDto,
} from "./fit/fit.ts";
import { FastenerDto, TeardownPlugDto, TeardownStepDto } from "./fit/ledger.ts";
import { PracticesDto } from "./practices.ts";
import { AimDto, AimingDto } from "./fit/aim.ts";
import { MendDto, ReadingDto } from "./fit/reading.ts";
import { PART_TYPES } from "./kit.ts";
import { LampDto } from "./lamp.ts";
import { PartDto } from "./part/part.ts";
import { KitSwitchDto, LightingCircuitDto, SupplyDto } from "./lightingCircuit.ts";
import { LotDto, QuoteOptionDto, SignatureDto, WorkedDto } from "./part/trade.ts";
import { VehicleDto } from "./vehicle/vehicle.ts";
import { HarnessDto, WireChoiceDto } from "./wire.ts";
import type { ShapeOf } from "../shape.ts";

class JobCardDto implements ShapeOf<JobCard> {
  @IsText(160)
  title!: string;

  @IsText(160)
  customer!: string;

  @IsIn(STAGES)
  stage!: string;

  @IsText(60)
  bench!: string;

  @Matches(/^(\d{4}-\d{2}-\d{2})?$/, {
    message: "$property must be a day such as 2026-12-02, or empty",
  })
  promised!: string;

  @IsText(4000)
  note!: string;
}

class WishDto implements ShapeOf<Wish> {
  @IsId()
  id!: string;

  @IsIn(PURPOSES)
  purpose!: string;

  @IsText()
  text!: string;
}

class BlockerDto implements ShapeOf<Blocker> {
  @IsId()
  id!: string;

  @IsIn(BLOCKER_KINDS)
  kind!: string;

  @IsText()
  text!: string;
}

class KitItemDto implements ShapeOf<KitItem> {
  @IsId()
  id!: string;

  @IsText(160)
  name!: string;

  @IsInt()
  @Min(0)
  @Max(9999)
  needed!: number;

  @IsInt()
  @Min(0)
  @Max(9999)
  inBox!: number;
}

class DeviationDto implements ShapeOf<WiringDeviation> {
  @IsId()
  id!: string;

  @IsIn(DEVIATION_KINDS)
  kind!: string;

  @IsId()
  runId!: string;

  @Matches(/^([A-Za-z0-9][A-Za-z0-9_-]{0,63})?$/)
  otherRunId!: string;

  @Matches(CIRCUIT_ID)
  wire!: string;

  @IsIn(WIRE_ENDS)
  end!: string;

  @Matches(CIRCUIT_ID)
  otherWire!: string;

  @IsIn(WIRE_ENDS)
  otherEnd!: string;

  @Matches(CIRCUIT_ID)
  at!: string;

  @Matches(CIRCUIT_ID)
  otherAt!: string;

  @IsText(20)
  gaugeId!: string;
}

class UseDto implements ShapeOf<Use> {
  @IsAmount(0, 24)
  eveningH!: number;

  @IsAmount(0, 366)
  eveningsPerSeason!: number;

  @IsAmount(0, 1000)
  dayKm!: number;

  @IsAmount(0, 30)
  ageYears!: number;

  @IsAmount(-50, 50)
  coldestC!: number;
}

class SignalPlayDto implements ShapeOf<SignalPlay> {
  @IsText(20000)
  script!: string;
}

class RideLegDto implements ShapeOf<RideLeg> {
  @IsId()
  id!: string;

  @IsText(120)
  name!: string;

  @IsAmount(0.1, 1440)
  minutes!: number;

  @IsAmount(0, 30000)
  rpm!: number;

  @IsShare()
  brake!: number;

  @IsShare()
  turn!: number;

  @IsInt()
  @Min(0)
  @Max(100)
  starts!: number;

  @IsAmount(0, 1000)
  extraA!: number;
}

/** A job document as it crosses the wire or comes from a file. */
export class JobDto implements ShapeOf<Job> {
  @Equals(JOB_FORMAT)
  format!: string;

  @IsObjectOf(() => JobCardDto)
  card!: JobCardDto;

  @IsObjectOf(() => VehicleDto)
  vehicle!: VehicleDto;

  @IsObjectOf(() => PracticesDto)
  practices!: PracticesDto;

  @IsListOf(() => WishDto, 200)
  wishes!: WishDto[];

  @IsListOf(() => BlockerDto, 100)
  blockers!: BlockerDto[];

  @IsListOf(() => KitItemDto, 500)
  kit!: KitItemDto[];

  @IsListOfKinds(() => PartDto, PART_TYPES, 500)
  parts!: PartDto[];

  @IsListOf(() => LampDto, 1000)
  lamps!: LampDto[];

  @IsListOf(() => LightingCircuitDto, 200)
  runs!: LightingCircuitDto[];

  @IsListOf(() => SupplyDto, 50)
  supplies!: SupplyDto[];

  @IsListOf(() => KitSwitchDto, 50)
  controls!: KitSwitchDto[];

  @IsListOf(() => HarnessDto, 50)
  harnesses!: HarnessDto[];

  @IsListOf(() => WireChoiceDto, 500)
  wireChoices!: WireChoiceDto[];

  @IsListOf(() => DeviationDto, 100)
  deviations!: DeviationDto[];

  @IsObjectOf(() => UseDto)
  use!: UseDto;

  @IsObjectOf(() => SignalPlayDto)
  signals!: SignalPlayDto;

  @IsListOf(() => RideLegDto, 100)
  ride!: RideLegDto[];

  @IsListOf(() => TeardownStepDto, 200)
  strip!: TeardownStepDto[];

  @IsListOf(() => FastenerDto, 1000)
  fasteners!: FastenerDto[];

  @IsListOf(() => TeardownPlugDto, 500)
  plugs!: TeardownPlugDto[];

  @IsListOf(() => PhotoDto, 500)
  photos!: PhotoDto[];

  @IsListOf(() => TemplateDto, 50)
  templates!: TemplateDto[];

  @IsListOf(() => LandmarkDto, 500)
  landmarks!: LandmarkDto[];

  @IsListOf(() => HoleDto, 500)
  holes!: HoleDto[];

  @IsListOf(() => MountDto, 1000)
  mounts!: MountDto[];

  @IsListOf(() => BondDto, 100)
  bonds!: BondDto[];

  @IsListOf(() => CheckDto, 5000)
  checks!: CheckDto[];

  @IsListOf(() => ReadingDto, 5000)
  readings!: ReadingDto[];

  @IsListOf(() => MendDto, 1000)
  mends!: MendDto[];

  @IsListOf(() => AimDto, 1000)
  aims!: AimDto[];

  @IsObjectOf(() => AimingDto)
  aiming!: AimingDto;

  @IsListOf(() => QuoteOptionDto, 12)
  options!: QuoteOptionDto[];

  @IsListOf(() => WorkedDto, 2000)
  worked!: WorkedDto[];

  @IsListOf(() => SignatureDto, 200)
  signatures!: SignatureDto[];

  @IsListOf(() => LotDto, 1000)
  lots!: LotDto[];
}
