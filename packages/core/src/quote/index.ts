export * from "./plannedTime.ts";
export * from "./pace.ts";
export * from "./quoteOf.ts";
export * from "./optionOf.ts";
export * from "./suggest.ts";
export * from "./offer.ts";
