/** What pages use of a browser and jsdom has not: sizes, pointers and streams. */
import "fake-indexeddb/auto";
import "@testing-library/jest-dom";
import { configure, prettyDOM } from "@testing-library/react";

configure({
  // Pages come lazily and the worker computes in between: a slow machine is no fault.
  asyncUtilTimeout: 120_000,
  defaultHidden: true,
  // What is waited for is looked for many times in vain: to print the page each time took a tenth of all.
  getElementError: (message, container) =>
    new Error(
      [message, process.env["PRINT_PAGE"] === undefined ? null : prettyDOM(container)]
        .filter((line) => typeof line === "string")
        .join("\n\n"),
    ),
});

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

/** Elements that stand in a line of text, as the names of what holds them are read. */
const IN_LINE = new Set(
  "A ABBR B BR BUTTON CODE EM I IMG INPUT KBD LABEL MARK S SELECT SMALL SPAN STRONG SUB SUP svg TEXTAREA TIME".split(
    " ",
  ),
);
const usualDisplay = (element: Element): string => {
  if (element.hasAttribute("hidden")) return "none";
  return IN_LINE.has(element.tagName) ? "inline" : "block";
};
const nothing = document.createElement("i").style;
/**
 * No sheet of styles is loaded here, so an element's style is its own: jsdom would match the
 * hundred rules of its default sheet for each, which was a quarter of all that page tests took.
 */
globalThis.getComputedStyle = (element, pseudo) => {
  if (pseudo || !("style" in element)) return nothing;
  const own = (element as HTMLElement).style;
  const display = own.display || usualDisplay(element);
  const visibility = own.visibility || "visible";
  const valueOf = (name: string): string =>
    ({ display, visibility })[name] ?? own.getPropertyValue(name);
  return new Proxy(own, {
    get(style, name) {
      if (name === "display") return display;
      if (name === "visibility") return visibility;
      if (name === "getPropertyValue") return valueOf;
      const value: unknown = Reflect.get(style, name, style);
      return typeof value === "function" ? value.bind(style) : value;
    },
  });
};

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
