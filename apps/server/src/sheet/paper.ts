import { PAPERS, type Paper, type UnitSystem } from "@dragonet/core";

/** What stands on every paper of a job beside the job itself. */
export interface PaperOptions {
  readonly shop: string;
  readonly revision: number;
  readonly units: UnitSystem;
  /** What it is printed on; A4 where nobody says. */
  readonly paper?: Paper;
  /** Where the job opens, for a phone; none without one. */
  readonly url?: string;
  /** Pictures that go on it, JPEG, by their ids. */
  readonly pictures?: ReadonlyMap<string, Uint8Array>;
}

/** Whether a word names a paper that sheets are set for. */
export const isPaper = (text: string): text is Paper => Object.hasOwn(PAPERS, text);
