/** How much may be sent where, and what is said of errors that are nobody's words. */
import type { ArgumentsHost } from "@nestjs/common";
import { ErrorFilter } from "../src/http/errorFilter.ts";
import { busy, conflict, notFound, notValid, tooMany } from "../src/http/refusal.ts";
import { Shop } from "./shop.ts";

describe("what is sent", () => {
  let shop: Shop;
  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
  });
  afterAll(() => shop.close());

  /** Status and words of a body of so many bytes. */
  async function sent(path: string, bytes: number): Promise<[number, string]> {
    const pim = await shop.person("pim");
    const { status, body } = await pim
      .post(`/api/${path}`)
      .send({ text: "x".repeat(Math.max(0, bytes - 20)) });
    return [status, (body as { message: string }).message];
  }
  const KB = 1024;

  it("is as large as its address takes, and no larger", async () => {
    const id = "00000000-0000-4000-8000-000000000000";
    for (const [path, kb, words] of [
      ["session", 8, "8 kB"],
      ["offers/x/accept", 8, "8 kB"],
      ["jobs/import", 9 * KB, "9 MB"],
      [`jobs/${id}/edits`, 3 * KB, "3 MB"],
      [`jobs/${id}/restore`, KB, "1 MB"],
      ["jobs/import/more", KB, "1 MB"],
      [`jobs/${id}/x/edits`, KB, "1 MB"],
      [`jobs/${id}/edits/more`, KB, "1 MB"],
      ["jobs/session", KB, "1 MB"],
    ] as const) {
      const over = await sent(path, (kb + 1) * KB);
      expect([path, ...over]).toEqual([path, 413, `too large (${words} at most here)`]);
      expect((await sent(path, (kb - 1) * KB))[0]).not.toBe(413);
    }
  });
});

describe("an error", () => {
  /** What is answered to it, and with what headers. */
  function answered(error: unknown, headersSent = false) {
    const headers: Record<string, string> = {};
    const told = { status: 0, body: {} as { message?: string }, ended: false, headers };
    const res = {
      headersSent,
      set: (name: string, value: string) => (headers[name] = value),
      status(status: number) {
        told.status = status;
        return res;
      },
      json: (body: object) => (told.body = body),
      end: () => (told.ended = true),
    };
    const host = { switchToHttp: () => ({ getResponse: () => res }) };
    new ErrorFilter().catch(error, host as unknown as ArgumentsHost);
    return told;
  }
  const withCode = (code: string) => Object.assign(new Error("failed"), { code });

  it("that is ours says what it says", () => {
    expect(answered(notFound("job", "7"))).toMatchObject({
      ...{ status: 404, body: { message: 'no job with id "7"' }, headers: {} },
    });
    expect(answered(notValid("no")).body).toEqual({ message: "no", faults: [] });
    expect(answered(conflict("changed", { revision: 3 })).body).toEqual({
      ...{ message: "changed", revision: 3 },
    });
    expect(answered(busy("wait")).headers).toEqual({ "retry-after": "1" });
    expect(answered(tooMany(12))).toMatchObject({
      ...{ status: 429, headers: { "retry-after": "12" } },
    });
  });

  it("of the database says whether to try again", () => {
    for (const code of ["53100", "ENOSPC"]) {
      expect(answered(withCode(code))).toMatchObject({
        ...{ status: 507, body: { message: "the disk is full: nothing was stored" }, headers: {} },
      });
    }
    for (const code of ["22003", "22P02", "22P05", "22021", "22007", "22008"]) {
      const { status, body } = answered(withCode(code));
      expect([code, status, body.message]).toEqual([
        ...[code, 422, "a number or text is not one that can be kept; nothing was stored"],
      ]);
    }
    for (const code of ["08006", "57P01", "57P03", "53300", "40001", "40P01", "ECONNREFUSED"]) {
      const { status, headers, body } = answered(withCode(code));
      expect([code, status, headers]).toEqual([code, 503, { "retry-after": "1" }]);
      expect(body.message).toMatch(/^the database does not answer just now/);
    }
    const lost = answered(new Error("Connection terminated unexpectedly"));
    expect(lost.status).toBe(503);
    // As the pool wraps it.
    expect(answered(new Error("query failed", { cause: withCode("08006") })).status).toBe(503);
  });

  it("of the framework is told as what it is", () => {
    const of = (status: number, type: string) => Object.assign(new Error("x"), { status, type });
    expect(answered(of(413, "entity.too.large"))).toMatchObject({ status: 413 });
    expect(answered(of(400, "entity.parse.failed")).body.message).toBe("the request is not JSON");
    expect(answered(of(415, "other"))).toMatchObject({
      ...{ status: 415, body: { message: "this request cannot be read" } },
    });
  });

  it("of nobody's is told in general, and nothing of it leaks", () => {
    for (const error of [new Error("secret"), withCode("XX000"), "secret", null]) {
      const { status, body } = answered(error);
      expect(status).toBe(500);
      expect(JSON.stringify(body)).not.toContain("secret");
      expect(body.message).toMatch(/something went wrong on the server/);
    }
  });

  it("half an answer later ends it", () => {
    expect(answered(new Error("late"), true)).toMatchObject({ ended: true, status: 0 });
  });
});
