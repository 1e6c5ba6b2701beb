export * from "./sites.ts";
export * from "./unitSites.ts";
export * from "./ways.ts";
export * from "./waysFrom.ts";
export * from "./wireWay.ts";
