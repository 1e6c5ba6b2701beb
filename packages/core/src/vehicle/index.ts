export * from "./vehicle.ts";
export * from "./routeMap.ts";
