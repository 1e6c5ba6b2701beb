import { transferHandlers, type TransferHandler } from "comlink";
import { OnceReceiver, OnceSender, isJob, isWorld, type Posted } from "./oncePort.ts";

const ends: { forget(): void }[] = [];

/** Nothing that was sent or heard counts any more: the worker is another. */
export const forgetSent = (): void => ends.forEach((end) => end.forget());

function once<T extends object>(
  canHandle: (value: unknown) => value is T,
): TransferHandler<T, Posted<T>> {
  const sender = new OnceSender<T>();
  const receiver = new OnceReceiver<T>();
  ends.push(sender, receiver);
  return {
    canHandle,
    serialize: (value) => [sender.post(value), []],
    deserialize: (posted) => receiver.take(posted),
  };
}

/**
 * Jobs, and what sentences are read in, cross between page and worker once; both sides import this
 * before they speak.
 */
transferHandlers.set("job", once(isJob));
transferHandlers.set("world", once(isWorld));
