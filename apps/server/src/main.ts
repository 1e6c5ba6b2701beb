import { fileURLToPath } from "node:url";
import { createApp } from "./createApp.ts";
import { log } from "./http/pinoLogger.ts";
import { WorkPool } from "./work/pool.ts";

const port = Number(process.env.PORT ?? 4170);
const host = process.env.HOST ?? "127.0.0.1";
const page = fileURLToPath(new URL("../../web/dist", import.meta.url));

// Nothing that goes wrong aside from a request ends the shop: it is written down.
process.on("unhandledRejection", (reason) => log.error({ err: reason }, "nobody waited for this"));

try {
  const app = await createApp({ page, demo: process.env.DRAGONET_DEMO === "1" });
  await app.listen(port, host);
  process.send?.("ready");
  void app.get(WorkPool).warm();
  // Whoever started us is gone, perhaps killed: nobody is left to stop us later.
  process.once("disconnect", () => void app.close().finally(() => process.exit(0)));
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
  setTimeout(() => process.exit(1), 200).unref();
}
