export * from "./vehicle.ts";
export * from "./kinds.ts";
export * from "./usual/usual.ts";
export * from "./factoryBeam.ts";
export * from "./routeMap.ts";
export * from "./trailerSocket.ts";
export * from "./provedBack.ts";
export * from "./unfound.ts";
