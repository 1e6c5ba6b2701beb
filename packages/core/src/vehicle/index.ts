export * from "./vehicle.ts";
export * from "./routeMap.ts";
export * from "./trailerSocket.ts";
export * from "./provedBack.ts";
