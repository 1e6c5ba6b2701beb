export * from "./invoice.ts";
export * from "./invoicesCsv.ts";
