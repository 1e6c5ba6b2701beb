export {
  actIdsOf,
  editsOf,
  isFinal,
  type Act,
  type Batch,
  type Change,
  type NamedAct,
} from "./batch.ts";
export { takeBatch, type BatchRequest, type Taking } from "./takeBatch.ts";
export {
  openSync,
  type ConflictShown,
  type Disputed,
  type Line,
  type Opening,
  type SetAside,
  type SyncState,
  type UndoStep,
} from "./state.ts";
export type { Stepped, SyncEffect, SyncEvent } from "./events.ts";
export { syncStep } from "./step.ts";
export { wholeText } from "./wholeText.ts";
