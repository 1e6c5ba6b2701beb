import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  Matches,
  Max,
  Min,
} from "class-validator";
import {
  BATTERY_CHEMISTRIES,
  BOX_FORMS,
  BOX_SWITCHING,
  CONVERTER_INPUTS,
  FLASHER_PRINCIPLES,
  LIGHT_COLOURS,
  LOAD_FAMILIES,
  PART_KINDS,
  TELL_TALES,
  type BoundedValue,
  type LightColour,
  type LoadFamily,
  type TellTale,
  type Part,
  type PartLight,
  type LeadColours,
} from "@dragonet/core";
import {
  IsAmount,
  IsFact,
  IsId,
  IsKindOf,
  IsListOf,
  IsNullable,
  IsObjectOf,
  IsShare,
  IsText,
} from "../../fields.ts";
import { BehaviourDto } from "./behaviour.ts";
import { LOAD_TYPES, LoadSpecDto } from "./load.ts";
import { PhotometryDto } from "./photometry.ts";
import { MOST_MONTHS } from "./trade.ts";
import type { ShapeOf, ShapeOfKind } from "../../shape.ts";

export class PartDto {
  @IsId()
  id!: string;

  @IsIn(PART_KINDS)
  kind!: string;

  @IsText(120)
  name!: string;

  @IsText()
  note!: string;

  @IsAmount()
  price!: number;

  @IsAmount()
  stock!: number;

  @IsOptional()
  @IsAmount()
  least?: number;

  @IsOptional()
  @IsInt()
  @Min(0)
  @Max(MOST_MONTHS)
  warrantyMonths?: number;

  @Matches(/^(IP[0-6X][0-9X]K?)?$/, {
    message: "$property must be a rating such as IP67 or IPX4, or empty",
  })
  ingress!: string;

  @IsAmount(0, 1000)
  ratedV!: number;
}

class PartLightDto implements ShapeOf<PartLight> {
  @IsText(40)
  name!: string;

  @IsIn(LIGHT_COLOURS)
  light!: LightColour;

  @IsKindOf(() => LoadSpecDto, LOAD_TYPES)
  load!: LoadSpecDto;
}

class LoadPartDto extends PartDto implements ShapeOfKind<Part, "load"> {
  @IsIn(LOAD_FAMILIES)
  family!: LoadFamily;

  @IsIn(LIGHT_COLOURS)
  light!: LightColour;

  @IsKindOf(() => LoadSpecDto, LOAD_TYPES)
  load!: LoadSpecDto;

  @IsFact()
  standbyA!: BoundedValue;

  @IsText(20)
  pigtail!: string;

  @IsNullable("object")
  @IsKindOf(() => LoadSpecDto, LOAD_TYPES)
  dim!: LoadSpecDto | null;

  @IsListOf(() => PartLightDto, 8)
  lights!: PartLightDto[];

  @IsBoolean()
  caseGround!: boolean;

  @IsNullable("object")
  @IsObjectOf(() => BehaviourDto)
  behaviour!: BehaviourDto | null;

  @IsOptional()
  @IsObjectOf(() => PhotometryDto)
  photometry?: PhotometryDto;
}

class RelayPartDto extends PartDto implements ShapeOfKind<Part, "relay"> {
  @IsAmount(0, 500)
  contactA!: number;

  @IsAmount(1, 1000)
  coilV!: number;

  @IsFact()
  coilOhm!: BoundedValue;

  @IsBoolean()
  diode!: boolean;
}

class SwitchPartDto extends PartDto implements ShapeOfKind<Part, "switch"> {
  @IsAmount(0, 500)
  contactA!: number;

  @IsIn(TELL_TALES)
  tellTale!: TellTale;

  @IsFact()
  tellTaleA!: BoundedValue;
}

class ConverterPartDto extends PartDto implements ShapeOfKind<Part, "converter"> {
  @IsIn(CONVERTER_INPUTS)
  input!: string;

  @IsAmount(1, 1000)
  inMinV!: number;

  @IsAmount(1, 1000)
  inMaxV!: number;

  @IsAmount(0, 1000)
  cutOffV!: number;

  @IsFact()
  outV!: BoundedValue;

  @IsAmount(0.1, 500)
  outA!: number;

  @IsAmount(0.1, 1000)
  surgeA!: number;

  @IsAmount(0.05, 1)
  efficiencyTenth!: number;

  @IsAmount(0.05, 1)
  efficiencyHalf!: number;

  @IsAmount(0.05, 1)
  efficiencyFull!: number;

  @IsFact()
  idleA!: BoundedValue;

  @IsBoolean()
  isolated!: boolean;

  @IsBoolean()
  sealed!: boolean;

  @IsAmount(-40, 150)
  mostAmbientC!: number;
}

class BoxPartDto extends PartDto implements ShapeOfKind<Part, "box"> {
  @IsIn(BOX_FORMS)
  form!: string;

  @IsInt()
  @Min(1)
  @Max(48)
  ways!: number;

  @IsAmount(0.1, 500)
  wayA!: number;

  @IsArray()
  @ArrayMaxSize(48)
  @IsNumber({}, { each: true })
  @Min(0.1, { each: true })
  @Max(500, { each: true })
  wayRatings!: number[];

  @IsAmount(0, 500)
  mainBreakerA!: number;

  @IsAmount(0.1, 1000)
  totalA!: number;

  @IsIn(BOX_SWITCHING)
  switches!: string;

  @IsFact()
  inputOhm!: BoundedValue;

  @IsFact()
  idleA!: BoundedValue;

  @IsAmount(0, 1440)
  sleepAfterMin!: number;

  @IsFact()
  sleepA!: BoundedValue;

  @IsListOf(() => BehaviourDto, 48)
  behaviours!: BehaviourDto[];
}

class BatteryPartDto extends PartDto implements ShapeOfKind<Part, "battery"> {
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
  chargerA!: BoundedValue;
}

class LeadColoursDto implements ShapeOf<LeadColours> {
  @IsText(40)
  factory!: string;

  @IsText(40)
  lamp!: string;
}

class ConnectorPartDto extends PartDto implements ShapeOfKind<Part, "connector"> {
  @IsListOf(() => LeadColoursDto, 12)
  leads!: LeadColoursDto[];

  @IsAmount(0.1, 500)
  ratingA!: number;

  @IsFact()
  contactOhm!: BoundedValue;
}

class FlasherPartDto extends PartDto implements ShapeOfKind<Part, "flasher"> {
  @IsIn(FLASHER_PRINCIPLES)
  principle!: string;

  @IsAmount(0, 100)
  leastA!: number;

  @IsAmount(0.1, 500)
  contactA!: number;

  @IsFact()
  ratePerMin!: BoundedValue;

  @IsShare()
  onShare!: number;
}

/** Which class reads which kind of part that a kit may hold. */
export const KIT_PART_TYPES = [
  { name: "load", value: LoadPartDto },
  { name: "relay", value: RelayPartDto },
  { name: "switch", value: SwitchPartDto },
  { name: "converter", value: ConverterPartDto },
  { name: "box", value: BoxPartDto },
  { name: "battery", value: BatteryPartDto },
  { name: "connector", value: ConnectorPartDto },
  { name: "flasher", value: FlasherPartDto },
  { name: "sundry", value: PartDto },
];
