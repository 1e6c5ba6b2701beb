export * from "./said.ts";
export * from "./readSentence.ts";
export * from "./printSentence.ts";
export * from "./planSentence.ts";
export { FILLERS } from "./word/lexicon.ts";
