/** What the server answers: the page takes its types from here, and the API's document its schemas. */
export * from "./board.ts";
export * from "./calendar.ts";
export * from "./invoices.ts";
export * from "./jobs.ts";
export * from "./models.ts";
export * from "./offers.ts";
export * from "./people.ts";
export * from "./shelf.ts";
export * from "./shop.ts";
export * from "./training.ts";
