import { readFileSync } from "node:fs";
import { serveLines } from "./serveLines.ts";
import { run } from "./run.ts";
import { writeFile } from "./writeFile.ts";

// A reader that has seen enough (`| head`) closes the pipe: nothing has gone wrong.
process.stdout.on("error", (error: NodeJS.ErrnoException) => {
  if (error.code === "EPIPE") process.exit(0);
  throw error;
});

process.exitCode = await run(process.argv.slice(2), {
  read: (path) => readFileSync(path, "utf8"),
  write: writeFile,
  out: (text) => process.stdout.write(text),
  err: (text) => process.stderr.write(text),
  serveLines: (port, connect) => serveLines(port, connect),
});
