import type { PartId } from "../ids.ts";

/** What was found wrong at a test and put right: a step of the work, a part and time. */
export interface Mend {
  readonly id: string;
  /** What was wrong, as the diagnosis or a person said it. */
  readonly what: string;
  /** What was done about it. */
  readonly done: string;
  /** Wire or unit of the circuit that it was at; "" for something that is not in it. */
  readonly at: string;
  /** Part that was used up; "" where none was. */
  readonly partId: PartId | "";
  readonly minutes: number;
  /** Steps of the test that were read before it and have to be read again. */
  readonly again: readonly string[];
  readonly by: string;
  /** Moment, ISO 8601. */
  readonly when: string;
}
