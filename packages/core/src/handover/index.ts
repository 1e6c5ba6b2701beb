export * from "./gates.ts";
export * from "./ownerSheet.ts";
export * from "./ownerSheetHtml.ts";
export * from "./warranty.ts";
