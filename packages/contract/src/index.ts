/** Classes that cross the wire or come from files, and the checks made of them. */
export * from "./requests.ts";
export { unsound } from "./sound.ts";
export * from "./validate.ts";
export { jobSchema } from "./schema.ts";
