export * from "./rides.ts";
export * from "./simulateRide.ts";
export * from "./bounds.ts";
export * from "./breakEven.ts";
export * from "./fitCurve.ts";
export * from "./rideEffect.ts";
