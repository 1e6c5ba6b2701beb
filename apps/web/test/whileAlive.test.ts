/** A worker that is gone is told, and leaves no question without an answer. */
import { whileAlive } from "../src/worker/port/whileAlive.ts";

class FakeErrorEvent extends Event {
  constructor(readonly message: string) {
    super("error");
  }
}
beforeAll(() => Object.assign(globalThis, { ErrorEvent: FakeErrorEvent }));

const unanswered = { plan: () => new Promise<string>(() => undefined) };

describe("what is asked of a worker", () => {
  it("is answered by it, and refused by it", async () => {
    const remote = {
      plan: (word: string) => Promise.resolve(`planned ${word}`),
      prove: () => Promise.reject(new RangeError("no item 3")),
    };
    const asked = whileAlive(remote, new EventTarget(), () => undefined);
    await expect(asked.plan("pods")).resolves.toBe("planned pods");
    await expect(asked.prove()).rejects.toThrow(new RangeError("no item 3"));
  });

  it.each([
    ["could not be loaded", new Event("error"), /could not go on\. Try again/],
    ["broke", new FakeErrorEvent("out of memory"), /could not go on: out of memory\. Try again/],
    ["said what cannot be read", new Event("messageerror"), /could not go on\. Try again/],
  ])("is refused where that %s, before and after", async (_, event, words) => {
    const worker = new EventTarget();
    const onGone = jest.fn();
    const asked = whileAlive(unanswered, worker, onGone);
    const before = asked.plan();
    worker.dispatchEvent(event);
    worker.dispatchEvent(new Event("error"));
    await expect(before).rejects.toThrow(words);
    await expect(asked.plan()).rejects.toThrow(words);
    expect(onGone).toHaveBeenCalledTimes(1);
  });
});
