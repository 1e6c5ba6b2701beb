import type { Part } from "../../part/index.ts";
import { roadKitPart } from "../job/newJobs.ts";
import { DEMO_SHELF } from "./shelf.ts";

/** Everything on the demo shop's shelf: its parts, and the kit that is made of them. */
export const demoShelf = (): readonly Part[] => [...DEMO_SHELF, roadKitPart()];
