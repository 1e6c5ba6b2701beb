import type * as Painting from "../src/ui/press/afterPaint.ts";

/** A page whose frames come when the test lets them, and whose presses are told by hand. */
class Press extends Event {
  constructor(
    type: string,
    readonly detail = 1,
  ) {
    super(type);
  }
}

let frames: (() => void)[] = [];
let page: EventTarget;
let afterPaint: typeof Painting.afterPaint;

beforeEach(async () => {
  jest.useFakeTimers({ doNotFake: ["requestAnimationFrame"] });
  jest.resetModules();
  frames = [];
  page = new EventTarget();
  Object.assign(globalThis, {
    window: page,
    MouseEvent: Press,
    requestAnimationFrame: (frame: () => void) => frames.push(frame),
  });
  ({ afterPaint } = await import("../src/ui/press/afterPaint.ts"));
});
afterEach(() => jest.useRealTimers());

const paint = (): void => {
  for (const frame of frames.splice(0)) frame();
  jest.advanceTimersByTime(0);
};

describe("what a press brings about", () => {
  it("waits for the frame that shows the press, and is done once", () => {
    const done: string[] = [];
    afterPaint(() => done.push("a"));
    afterPaint(() => done.push("b"));
    expect(done).toEqual([]);
    paint();
    expect(done).toEqual(["a", "b"]);
    jest.advanceTimersByTime(1000);
    paint();
    expect(done).toEqual(["a", "b"]);
  });

  it("is done before whatever is pressed next, and at the page's end", () => {
    const next = ["pointerdown", "pointerup", "keydown", "submit", "popstate", "pagehide"];
    for (const type of next) {
      const done: string[] = [];
      afterPaint(() => done.push(type));
      page.addEventListener(type, () => done.push("pressed"), { once: true });
      page.dispatchEvent(new Event(type));
      expect(done).toEqual([type, "pressed"]);
    }
  });

  it("waits through the click of its own press, and for none that a key or a form makes", () => {
    const done: string[] = [];
    afterPaint(() => done.push("own"));
    page.dispatchEvent(new Press("click", 1));
    expect(done).toEqual([]);
    page.dispatchEvent(new Press("click", 0));
    expect(done).toEqual(["own"]);
  });

  it("does not wait for a page that nobody sees", () => {
    const done: string[] = [];
    afterPaint(() => done.push("hidden"));
    jest.advanceTimersByTime(200);
    expect(done).toEqual(["hidden"]);
  });

  it("is done though another fails, which is told", () => {
    const done: string[] = [];
    const told = jest.fn();
    Object.assign(globalThis, { reportError: told });
    afterPaint(() => {
      throw new Error("no");
    });
    afterPaint(() => done.push("other"));
    paint();
    expect(done).toEqual(["other"]);
    expect(told).toHaveBeenCalledWith(new Error("no"));
  });

  it("lets a deed ask for another", () => {
    const done: string[] = [];
    afterPaint(() => {
      done.push("first");
      afterPaint(() => done.push("second"));
    });
    paint();
    expect(done).toEqual(["first"]);
    paint();
    expect(done).toEqual(["first", "second"]);
  });

  it("is done to its end before the next press, however many frames it would have taken", () => {
    const done: string[] = [];
    afterPaint(() => afterPaint(() => afterPaint(() => done.push("picked"))));
    page.addEventListener("keydown", () => done.push("pressed"), { once: true });
    page.dispatchEvent(new Event("keydown"));
    expect(done).toEqual(["picked", "pressed"]);
  });
});
