/**
 * swc's transformer, with the builtins that computation leans on bound to locals at the top of
 * each module. Jest runs tests in a context whose globals are looked up by an interceptor: a
 * solver that says `Math` ten million times a test spends most of its time there.
 */
const swc = require("@swc/jest");

const BUILTINS = [
  ...["Array", "Error", "Infinity", "JSON", "Map", "Math", "NaN", "Number", "Object", "Set"],
  ...["String", "WeakMap", "Float64Array", "Int32Array", "Uint8Array", "isNaN"],
];
const LOCALS = `var ${BUILTINS.map((name) => `${name}=globalThis.${name}`).join(",")};`;
const STRICT = '"use strict";';

/** Behind the directive, on its line, so that every line keeps its number. */
const withLocals = (code) =>
  code.startsWith(STRICT) ? `${STRICT}${LOCALS}${code.slice(STRICT.length)}` : code;

module.exports = {
  createTransformer(options) {
    const made = swc.createTransformer(options);
    return {
      ...made,
      getCacheKey: (...args) => `locals-2${made.getCacheKey(...args)}`,
      process(source, file, ...rest) {
        const result = made.process(source, file, ...rest);
        if (!/\/(packages|apps)\/[^/]+\/src\//.test(file)) return result;
        return { ...result, code: withLocals(result.code) };
      },
    };
  },
};
