export * from "./lineDiagram.ts";
export * from "./materials.ts";
export * from "./lineDrawing.ts";
export * from "./cautions.ts";
export * from "./inspector.ts";
