export * from "./script.ts";
export * from "./flasher.ts";
export * from "./channel.ts";
export * from "./simulate.ts";
export * from "./measure.ts";
export * from "./remedies.ts";
export * from "./seenByVehicle.ts";
export * from "./signalsCsv.ts";
