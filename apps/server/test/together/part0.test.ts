import { join } from "node:path";
import { runPart } from "../../../../scripts/test/together.ts";

runPart(join(__dirname, ".."), ".test.ts", 0);
