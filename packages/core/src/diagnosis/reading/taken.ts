/** A reading as it is kept: what it was taken at, and what it was. */
export interface TakenReading {
  /** The probe's id. */
  readonly step: string;
  /** V, A, or the share of full brightness that was seen. */
  readonly value: number;
}
