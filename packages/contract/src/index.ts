/** Classes that cross the wire or come from files, and the checks made of them. */
export { PracticesDto } from "./document/practices.ts";
export { ShopCalendarDto } from "./document/calendar.ts";
export * from "./requests/index.ts";
export { unsound } from "./sound.ts";
export * from "./validate.ts";
export * from "./answers/index.ts";
export { classSchemas, jobSchema } from "./schema.ts";
