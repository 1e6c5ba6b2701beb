import { runPart } from "./parts.ts";

runPart(3);
