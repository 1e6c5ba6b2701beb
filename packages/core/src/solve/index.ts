export * from "./operatingPoint.ts";
export * from "./drop.ts";
export * from "./elementOhm.ts";
export * from "./toLamps.ts";
