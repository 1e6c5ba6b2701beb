/** What may be asked of the server: each request's shape, and what is wrong with one that has another. */
import "reflect-metadata";
export * from "./invoices.ts";
export * from "./jobs.ts";
export * from "./models.ts";
export * from "./people.ts";
export * from "./shop.ts";
