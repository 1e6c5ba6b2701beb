/** A decision with its reason. */
export interface Decision<T> {
  readonly value: T;
  readonly picked: string;
  readonly reason: string;
  readonly pinned: boolean;
}
