/** What pages use of a browser and jsdom has not: sizes, pointers and streams. */
import "fake-indexeddb/auto";
import "@testing-library/jest-dom";
import { configure } from "@testing-library/react";

// Pages come lazily and the worker computes in between: a slow machine is no fault.
configure({ asyncUtilTimeout: 15_000, defaultHidden: true });

class Watches {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
  takeRecords(): [] {
    return [];
  }
}

/** A stream that nobody speaks on. */
class QuietStream extends EventTarget {
  static readonly CLOSED = 2;
  readonly readyState = 1;
  close(): void {}
}

/** Pages of one browser that hear nothing of each other. */
class QuietChannel extends EventTarget {
  onmessage = null;
  postMessage(): void {}
  close(): void {}
}

const media = (query: string) => ({
  ...{ matches: false, media: query, onchange: null },
  ...{ addEventListener: () => {}, removeEventListener: () => {}, dispatchEvent: () => false },
});

Object.assign(globalThis, {
  ...{ ResizeObserver: Watches, IntersectionObserver: Watches },
  ...{ EventSource: QuietStream, BroadcastChannel: QuietChannel },
  matchMedia: media,
});
// Radix asks these of what a pointer is on.
Object.assign(Element.prototype, {
  ...{ scrollIntoView: () => {}, scrollTo: () => {} },
  ...{
    hasPointerCapture: () => false,
    setPointerCapture: () => {},
    releasePointerCapture: () => {},
  },
});
Object.assign(URL, { createObjectURL: () => "blob:here", revokeObjectURL: () => {} });
Object.assign(Blob.prototype, {
  text(this: Blob): Promise<string> {
    return new Promise((done) => {
      const reader = new FileReader();
      reader.onload = () => done(String(reader.result));
      reader.readAsText(this);
    });
  },
});

/** The worker and the server answer when they do, as in a browser: no test steps them one by one. */
const told = globalThis.console.error;
globalThis.console.error = (...said: unknown[]): void => {
  if (!String(said[0]).includes("not wrapped in act(")) told(...said);
};
/** Nothing here has a size, charts included. */
const warned = globalThis.console.warn;
globalThis.console.warn = (...said: unknown[]): void => {
  if (!String(said[0]).includes("of chart should be greater than 0")) warned(...said);
};
