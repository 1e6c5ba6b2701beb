import { printCsv } from "../format/csv.ts";

/** A job that holds a part, with what a letter to its owner needs. */
export interface PartJob {
  readonly id: string;
  readonly title: string;
  readonly customer: string;
  readonly model: string;
  readonly machine: string;
  readonly stage: string;
  /** When it was changed last, ISO 8601: of one that was handed over about when that was. */
  readonly updatedAt: string;
  /** Pieces of the part in it. */
  readonly count: number;
  /** Lots of it that were written down there. */
  readonly lots: readonly string[];
}

const COLUMNS = ["customer", "vehicle", "machine", "job", "pieces", "lots", "stage", "changed"];

/** Who is to be told where a part is called back, a row a job: for letters, and for whoever rings. */
export const printPartJobsCsv = (jobs: readonly PartJob[]): string =>
  printCsv(
    COLUMNS,
    jobs.map(({ customer, model, machine, title, count, lots, stage, updatedAt }) => ({
      ...{ customer, vehicle: model, machine, job: title, pieces: String(count), stage },
      lots: lots.join(" "),
      changed: updatedAt.slice(0, 10),
    })),
  );
