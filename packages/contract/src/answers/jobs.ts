import { IsArray, IsBoolean, IsIn, IsInt, IsNumber, IsString, IsUUID, Min } from "class-validator";
import { STAGES, TASKS, type Change, type Job, type JobSummary } from "@dragonet/core";
import { IsListOf, IsMoment, IsNullable, IsObjectOf } from "../fields.ts";
import { WorkLeftDto } from "../document/calendar.ts";
import { JobDto } from "../document/job.ts";
import { EditDto } from "../requests/index.ts";

/** One thing that a job waits for. */
export class WaitingAnswer {
  /** What people wrote down themselves, and "stop" for a finding to stop for. */
  @IsString()
  readonly kind!: JobSummary["waiting"][number]["kind"];

  @IsString()
  readonly text!: string;
}

/** Something stuck on that needs its time. */
export class CuringAnswer {
  @IsString()
  readonly what!: string;

  @IsMoment()
  readonly handleAt!: string;

  @IsMoment()
  readonly curedAt!: string;
}

/** What a job takes from the shelf. */
export class NeedAnswer {
  @IsString()
  readonly name!: string;

  @IsNumber()
  readonly count!: number;

  @IsIn(["", "m"])
  readonly unit!: "" | "m";
}

/** Time planned and taken for one kind of work, min. */
export class TimeAnswer {
  @IsIn(TASKS)
  readonly task!: (typeof TASKS)[number];

  @IsNumber()
  readonly plannedMin!: number;

  @IsNumber()
  readonly tookMin!: number;
}

/** The gravest thing that a job's check says, and how many causes there are. */
export class WorstAnswer {
  @IsIn(["stop", "fix", "note"])
  readonly severity!: "stop" | "fix" | "note";

  @IsString()
  readonly title!: string;

  @IsInt()
  @Min(1)
  readonly count!: number;
}

/** What was put right on a job. */
export class MendedAnswer {
  @IsString()
  readonly what!: string;

  /** After it was handed over. */
  @IsBoolean()
  readonly comeback!: boolean;
}

/** What is to be done next on a job, and at which stage. */
export class NextAnswer {
  @IsIn(STAGES)
  readonly stage!: (typeof STAGES)[number];

  @IsString()
  readonly text!: string;
}

/** A job as the board lists it. */
export class JobOnBoardAnswer implements JobSummary {
  @IsUUID()
  readonly id!: string;

  @IsInt()
  @Min(1)
  readonly revision!: number;

  @IsMoment()
  readonly updatedAt!: string;

  @IsString()
  readonly title!: string;

  @IsString()
  readonly customer!: string;

  @IsIn(STAGES)
  readonly stage!: JobSummary["stage"];

  @IsString()
  readonly bench!: string;

  /** ISO date; "" where nothing was promised. */
  @IsString()
  readonly promised!: string;

  @IsString()
  readonly model!: string;

  @IsString()
  readonly machine!: string;

  @IsInt()
  readonly runs!: number;

  @IsListOf(() => WaitingAnswer)
  readonly waiting!: readonly WaitingAnswer[];

  @IsListOf(() => CuringAnswer)
  readonly curing!: readonly CuringAnswer[];

  @IsListOf(() => NeedAnswer)
  readonly needs!: readonly NeedAnswer[];

  @IsListOf(() => TimeAnswer)
  readonly time!: readonly TimeAnswer[];

  @IsNullable("object")
  @IsObjectOf(() => WorstAnswer)
  readonly worst!: WorstAnswer | null;

  @IsObjectOf(() => NextAnswer)
  readonly next!: NextAnswer;

  @IsListOf(() => MendedAnswer)
  readonly mends!: readonly MendedAnswer[];

  @IsObjectOf(() => WorkLeftDto)
  readonly work!: WorkLeftDto;
}

/** A job with its whole document. */
export class JobAnswer {
  @IsUUID()
  readonly id!: string;

  @IsInt()
  @Min(1)
  readonly revision!: number;

  @IsObjectOf(() => JobDto)
  readonly document!: Job;
}

/** A job in the bin. */
export class BinnedJobAnswer {
  @IsUUID()
  readonly id!: string;

  @IsString()
  readonly title!: string;

  @IsString()
  readonly customer!: string;

  @IsMoment()
  readonly removedAt!: string;

  @IsString()
  readonly removedBy!: string;
}

/** One revision of a job, as it came. */
export class ChangeAnswer implements Change {
  @IsInt()
  @Min(1)
  readonly revision!: number;

  @IsString()
  readonly batchId!: string;

  @IsString()
  readonly who!: string;

  /** Names of the acts that it took or closed. */
  @IsArray()
  @IsString({ each: true })
  readonly acts!: readonly string[];

  @IsListOf(() => EditDto)
  readonly edits!: Change["edits"];
}

/** A job's revision by now, and what came since the one that was asked about. */
export class ChangesAnswer {
  @IsInt()
  @Min(0)
  readonly revision!: number;

  @IsListOf(() => ChangeAnswer)
  readonly changes!: readonly Change[];
}

/** One revision in words. */
export class RevisionAnswer {
  @IsInt()
  @Min(1)
  readonly revision!: number;

  @IsMoment()
  readonly at!: string;

  @IsString()
  readonly who!: string;

  @IsArray()
  @IsString({ each: true })
  readonly lines!: readonly string[];
}
