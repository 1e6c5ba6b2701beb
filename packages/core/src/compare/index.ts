export * from "./ways.ts";
export { converterEdits } from "./converter.ts";
