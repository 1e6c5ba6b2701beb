export * from "./loomGraph.ts";
export * from "./loomSvg.ts";
