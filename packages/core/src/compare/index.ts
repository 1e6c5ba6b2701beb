export * from "./feedOptions.ts";
export { converterEdits } from "./converter.ts";
