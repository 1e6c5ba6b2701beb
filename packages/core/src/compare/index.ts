export * from "./ways.ts";
