/** jsdom with what browsers have and Node has too, but jsdom has not. */
const { TestEnvironment } = require("jest-environment-jsdom");

const OF_NODE = [
  ...["AbortController", "AbortSignal", "Headers", "Request", "Response", "structuredClone"],
  ...["TextDecoder", "TextEncoder", "ReadableStream"],
];

module.exports = class extends TestEnvironment {
  constructor(...args) {
    super(...args);
    for (const name of OF_NODE) this.global[name] = globalThis[name];
  }
};
