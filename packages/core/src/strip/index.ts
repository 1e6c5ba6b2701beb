export * from "./strip.ts";
export * from "./materials.ts";
export * from "./stripSvg.ts";
export * from "./cautions.ts";
export * from "./inspector.ts";
