export * from "./places.ts";
