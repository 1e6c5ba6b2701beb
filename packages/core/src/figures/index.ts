export * from "./orderList.ts";
export * from "./shopFigures.ts";
