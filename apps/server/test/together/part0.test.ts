import { join } from "node:path";
// The server that its files have one after the other ends behind the last of them.
import "../shop.ts";
import { runPart } from "../../../../scripts/test/together.ts";

runPart(join(__dirname, ".."), ".test.ts", 0);
