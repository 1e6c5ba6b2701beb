import { IsArray, IsBoolean, IsIn, IsInt, IsNumber, IsString, IsUUID, Min } from "class-validator";
import {
  PART_KINDS,
  STAGES,
  type OrderLine,
  type PartId,
  type PartJob,
  type PartKind,
  type Stage,
} from "@dragonet/core";
import { IsListOf, IsMoment, IsNullable } from "../fields.ts";
import { KeptPartAnswer, KeptVehicleAnswer } from "./shop.ts";

/** A part as the shelf lists it. */
export class PartRowAnswer {
  @IsString()
  readonly id!: string;

  @IsIn(PART_KINDS)
  readonly kind!: PartKind;

  @IsString()
  readonly name!: string;

  /** What the circuit needs to know of it, in a few words. */
  @IsString()
  readonly facts!: string;

  @IsString()
  readonly note!: string;

  @IsNumber()
  readonly price!: number;

  @IsNumber()
  readonly stock!: number;

  /** What the shop wants to have of it; 0 where nobody said. */
  @IsNumber()
  readonly least!: number;
}

/** Some parts, by name. */
export class PartsPageAnswer {
  @IsListOf(() => PartRowAnswer)
  readonly parts!: readonly PartRowAnswer[];

  /** What is asked for to see those that come after; "" at the end. */
  @IsString()
  readonly next!: string;
}

/** Some vehicle profiles, by model. */
export class VehiclesPageAnswer {
  @IsListOf(() => KeptVehicleAnswer)
  readonly vehicles!: readonly KeptVehicleAnswer[];

  /** What is asked for to see those that come after; "" at the end. */
  @IsString()
  readonly next!: string;
}

/** The first parts of one kind. */
export class ShelfKindAnswer {
  @IsIn(PART_KINDS)
  readonly kind!: PartKind;

  /** Parts of this kind, those that are not told here among them. */
  @IsInt()
  @Min(1)
  readonly count!: number;

  /** There are more than were counted. */
  @IsBoolean()
  readonly uncounted!: boolean;

  @IsListOf(() => PartRowAnswer)
  readonly parts!: readonly PartRowAnswer[];
}

/** The shelf: the first parts of every kind. */
export class ShelfAnswer {
  @IsListOf(() => ShelfKindAnswer)
  readonly kinds!: readonly ShelfKindAnswer[];

  /** There are parts, whether or not they are looked at here. */
  @IsBoolean()
  readonly any!: boolean;
}

/** What is offered where a part is chosen. */
export class PartChoicesAnswer {
  @IsListOf(() => KeptPartAnswer)
  readonly parts!: readonly KeptPartAnswer[];

  /** There are others, which a word of their name finds. */
  @IsBoolean()
  readonly more!: boolean;
}

/** A job that holds a part. */
export class PartJobAnswer implements PartJob {
  @IsUUID()
  readonly id!: string;

  @IsString()
  readonly title!: string;

  @IsString()
  readonly customer!: string;

  @IsString()
  readonly model!: string;

  @IsString()
  readonly machine!: string;

  @IsIn(STAGES)
  readonly stage!: Stage;

  @IsMoment()
  readonly updatedAt!: string;

  /** Pieces of the part in it. */
  @IsInt()
  @Min(1)
  readonly count!: number;

  /** Lots of it that were written down there. */
  @IsString({ each: true })
  readonly lots!: readonly string[];
}

/** A job that waits for a part by its name. */
export class WaitingJobAnswer {
  @IsUUID()
  readonly id!: string;

  @IsString()
  readonly title!: string;

  /** What it waits for, in its own words. */
  @IsString()
  readonly text!: string;
}

/** How many jobs wait for it no longer. */
export class FreedAnswer {
  @IsInt()
  @Min(0)
  readonly freed!: number;
}

/** Some jobs that hold a part, those changed last first. */
export class PartJobsPageAnswer {
  @IsListOf(() => PartJobAnswer)
  readonly jobs!: readonly PartJobAnswer[];

  /** What is asked for to see those that come after; "" at the end. */
  @IsString()
  readonly next!: string;
}

/** A job that takes something from the shelf. */
export class OrderingJobAnswer {
  @IsString()
  readonly id!: string;

  @IsString()
  readonly title!: string;

  @IsString()
  readonly promised!: string;

  @IsNumber()
  readonly count!: number;
}

/** Something to be ordered. */
export class OrderLineAnswer implements OrderLine {
  @IsString()
  readonly name!: string;

  @IsIn(["", "m"])
  readonly unit!: "" | "m";

  @IsNumber()
  readonly wanted!: number;

  @IsNumber()
  readonly onShelf!: number;

  @IsNumber()
  readonly least!: number;

  @IsNumber()
  readonly short!: number;

  @IsNullable("string")
  @IsString()
  readonly partId!: PartId | null;

  @IsNullable("number")
  @IsNumber()
  readonly cost!: number | null;

  @IsListOf(() => OrderingJobAnswer)
  readonly jobs!: readonly OrderingJobAnswer[];

  @IsString()
  readonly by!: string;
}

/** How much of one thing open jobs take. */
export class TakenAnswer {
  @IsString()
  readonly name!: string;

  @IsNumber()
  readonly count!: number;
}

/** What open jobs take from the shelf, and what has to be ordered. */
export class NeedsAnswer {
  @IsArray()
  @IsListOf(() => OrderLineAnswer)
  readonly orders!: readonly OrderLineAnswer[];

  /** By the name that a part and a need find each other by: in small letters, without ", metre". */
  @IsListOf(() => TakenAnswer)
  readonly taken!: readonly TakenAnswer[];
}
