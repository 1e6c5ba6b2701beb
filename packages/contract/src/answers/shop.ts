import { IsArray, IsBoolean, IsIn, IsInt, IsOptional, IsString, Min } from "class-validator";
import { JSONSchema } from "class-validator-jsonschema";
import type { CarriedOver, Fault, Part, Vehicle } from "@dragonet/core";
import { FastenerDto, TeardownPlugDto, TeardownStepDto } from "../document/fit/ledger.ts";
import { HoleDto, LandmarkDto, TemplateDto } from "../document/fit/fit.ts";
import { IsKindOf, IsListOf, IsObjectOf } from "../fields.ts";
import { PART_TYPES } from "../document/kit.ts";
import { PartDto } from "../document/part/part.ts";
import { VehicleDto } from "../document/vehicle/vehicle.ts";

/** One fault of what was sent: where, and what would be valid. */
export class FaultAnswer implements Fault {
  @IsString()
  readonly path!: string;

  @IsString()
  readonly message!: string;
}

/** What every refused request answers; some refusals carry more, such as what stands there now. */
@JSONSchema({ additionalProperties: true })
export class RefusalAnswer {
  @IsString()
  readonly message!: string;

  @IsOptional()
  @IsListOf(() => FaultAnswer)
  readonly faults?: readonly FaultAnswer[];
}

class KeptAnswer {
  /** Counts changes; a change says which one it was made on. */
  @IsInt()
  @Min(1)
  readonly revision!: number;
}

/** A part of the shelf. */
export class KeptPartAnswer extends KeptAnswer {
  @IsKindOf(() => PartDto, PART_TYPES)
  readonly value!: Part;
}

/** A vehicle profile of the shop. */
export class KeptVehicleAnswer extends KeptAnswer {
  @IsObjectOf(() => VehicleDto)
  readonly value!: Vehicle;
}

/** What came of a table that was taken in. */
export class ImportedAnswer {
  @IsInt()
  @Min(0)
  readonly added!: number;

  @IsInt()
  @Min(0)
  readonly changed!: number;
}

/** What came of an archive that was taken in. */
export class ArchiveAnswer {
  /** Jobs that are new here. */
  @IsInt()
  @Min(0)
  readonly jobs!: number;

  /** Jobs that were here already and stay as they are. */
  @IsInt()
  @Min(0)
  readonly there!: number;

  @IsInt()
  @Min(0)
  readonly parts!: number;

  @IsInt()
  @Min(0)
  readonly vehicles!: number;
}

/** What a job takes over from the last one on the same model. */
export class CarriedOverAnswer implements CarriedOver {
  @IsListOf(() => TeardownStepDto)
  readonly strip!: CarriedOver["strip"];

  @IsListOf(() => FastenerDto)
  readonly fasteners!: CarriedOver["fasteners"];

  @IsListOf(() => TeardownPlugDto)
  readonly plugs!: CarriedOver["plugs"];

  @IsListOf(() => TemplateDto)
  readonly templates!: CarriedOver["templates"];

  @IsListOf(() => LandmarkDto)
  readonly landmarks!: CarriedOver["landmarks"];

  @IsListOf(() => HoleDto)
  readonly holes!: CarriedOver["holes"];
}

/** The last other job on the model that has anything to take over; empty where there is none. */
export class LedgerBeforeAnswer {
  @IsOptional()
  @IsString()
  readonly title?: string;

  @IsOptional()
  @IsObjectOf(() => CarriedOverAnswer)
  readonly carried?: CarriedOver;
}

/** The shop's meter, where one is plugged in. */
export class MeterAnswer {
  @IsString()
  readonly address!: string;

  /** As it names itself: maker, model, serial, version. */
  @IsString()
  readonly name!: string;
}

/** The process answers. */
export class AliveAnswer {
  @IsIn([true])
  readonly ok!: true;
}

/** Whether the server can do its work, and if not, why. */
export class ReadyAnswer {
  @IsBoolean()
  readonly ready!: boolean;

  @IsArray()
  @IsString({ each: true })
  readonly wrong!: readonly string[];
}

/** Kinds of things that are searched. */
export const SEARCH_KINDS = ["job", "part", "vehicle"] as const;
/** What a search finds. */
export type SearchKind = (typeof SEARCH_KINDS)[number];

/** One thing that a search found. */
export class FoundAnswer {
  @IsIn(SEARCH_KINDS)
  readonly kind!: SearchKind;

  @IsString()
  readonly id!: string;

  @IsString()
  readonly title!: string;

  /** Of a job its customer and vehicle, of a part or a vehicle its kind. */
  @IsString()
  readonly about!: string;

  /** The words around what was found, where the title does not say it; "" otherwise. */
  @IsString()
  readonly where!: string;
}
