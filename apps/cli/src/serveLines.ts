import { createServer } from "node:net";
import { createInterface } from "node:readline";
import type { ExitCode } from "./world.ts";

/** Serves lines on loopback until SIGINT or SIGTERM. */
export function serveLines(
  port: number,
  connect: () => (line: string) => string | null,
): Promise<ExitCode> {
  return new Promise((done) => {
    const server = createServer((socket) => {
      const ask = connect();
      // A meter that is unplugged mid-way is no fault of the server's.
      socket.on("error", () => socket.destroy());
      createInterface({ input: socket }).on("line", (line) => {
        const answer = ask(line.slice(0, 1000));
        if (answer !== null) socket.write(`${answer}\n`);
      });
    });
    server.once("error", (error) => {
      process.stderr.write(`${error.message}\n`);
      done(2);
    });
    server.listen(port, "127.0.0.1", () => {
      const address = server.address();
      const at = typeof address === "object" && address ? address.port : port;
      process.stdout.write(`simulated meter at 127.0.0.1:${at} (SCPI); Ctrl-C stops it\n`);
    });
    for (const signal of ["SIGINT", "SIGTERM"] as const) {
      process.once(signal, () => {
        server.close();
        done(0);
        setImmediate(() => process.exit(0));
      });
    }
  });
}
