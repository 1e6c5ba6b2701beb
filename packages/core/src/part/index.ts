export * from "./behaviour.ts";
export * from "./load.ts";
export * from "./part.ts";
export * from "./generic.ts";
export * from "./bears.ts";
export * from "./level.ts";
export * from "./ratedV.ts";
