import type { Agent } from "supertest";

/** The bytes of an answer, whatever they are. */
export const bytesOf = (agent: Agent, path: string, status = 200): Promise<Buffer> =>
  agent
    .get(path)
    .buffer(true)
    .parse((res, done) => {
      const parts: Buffer[] = [];
      res.on("data", (part: Buffer) => parts.push(part));
      res.on("end", () => done(null, Buffer.concat(parts)));
    })
    .expect(status)
    .then((res) => res.body as Buffer);
