/** One thing wrong with a document: where, what stands there, what would be valid. */
export interface Fault {
  readonly path: string;
  readonly message: string;
}
