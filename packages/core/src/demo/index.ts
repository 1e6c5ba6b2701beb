export * from "./shelf.ts";
export * from "./vehicles.ts";
export * from "./jobs.ts";
export * from "./people.ts";
export * from "./randomNetwork.ts";
export * from "./randomJob.ts";
export { demoShelf } from "./demoShelf.ts";
export { roadKitPart } from "./newJobs.ts";
