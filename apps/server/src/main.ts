import { once } from "node:events";
import { fileURLToPath } from "node:url";
import { createApp } from "./createApp.ts";
import { log } from "./http/pinoLogger.ts";
import { WorkPool } from "./work/pool.ts";

const port = Number(process.env.PORT ?? 4170);
const host = process.env.HOST ?? "127.0.0.1";
const page = fileURLToPath(new URL("../../web/dist", import.meta.url));

// Nothing that goes wrong aside from a request ends the shop: it is written down.
process.on("unhandledRejection", (reason) => log.error({ err: reason }, "nobody waited for this"));

/** Whoever starts us may say where the database is while it comes up: we have read our code by then. */
async function databaseUrl(): Promise<void> {
  if (process.env.DATABASE_URL || !process.send) return;
  const gone = () => process.exit(0);
  process.once("disconnect", gone);
  const [said] = (await once(process, "message")) as [{ databaseUrl?: unknown }];
  process.off("disconnect", gone);
  if (typeof said.databaseUrl === "string") process.env.DATABASE_URL = said.databaseUrl;
}

try {
  await databaseUrl();
  const app = await createApp({ page, demo: process.env.DRAGONET_DEMO === "1" });
  await app.listen(port, host);
  process.send?.("ready");
  // A shop that closes before its thread is warm has lost nothing.
  app
    .get(WorkPool)
    .warm()
    .catch(() => undefined);
  // Whoever started us is gone, perhaps killed: nobody is left to stop us later.
  process.once("disconnect", () => void app.close().finally(() => process.exit(0)));
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
  setTimeout(() => process.exit(1), 200).unref();
}
