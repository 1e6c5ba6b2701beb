export * from "./money.ts";
