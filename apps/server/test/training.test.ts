import { randomUUID } from "node:crypto";
import { createServer, type Server, type Socket } from "node:net";
import { createInterface } from "node:readline";
import type { Agent } from "supertest";
import {
  ScpiMeter,
  TestBench,
  scriptOf,
  simulatedReading,
  type Job,
  type TrainingRecord,
} from "@dragonet/core";
import { Shop, freePort } from "./shop.ts";

const result = (fields: Partial<TrainingRecord & { id: string }> = {}) => ({
  ...{ id: randomUUID(), topic: "whichFuse", right: true, score: null, about: "which fuse" },
  ...fields,
});

describe("training", () => {
  let shop: Shop;
  let pim: Agent;
  let owner: Agent;

  beforeAll(async () => {
    shop = await Shop.open({ demo: true });
    pim = await shop.person("pim");
    owner = await shop.person("ansa");
  });
  afterAll(() => shop.close());

  const keep = async (who: Agent, body: object): Promise<TrainingRecord[]> => {
    await who.post("/api/training/results").send(body).expect(204);
    return (await who.get("/api/training").expect(200)).body as TrainingRecord[];
  };

  it("keeps what somebody answered, the newest first, and once however often it is sent", async () => {
    const first = result({ right: false });
    await keep(pim, first);
    await keep(pim, first);
    const list = await keep(pim, result({ topic: "fault:groundLost", score: 70 }));
    expect(list.map(({ topic, right, score }) => [topic, right, score])).toEqual([
      ["fault:groundLost", true, 70],
      ["whichFuse", false, null],
    ]);
    expect((await pim.get("/api/training").expect(200)).body).toEqual(list);
  });

  it("is each one's own; the owner sees everybody's by topic", async () => {
    const viewer = await shop.person("wren");
    await keep(viewer, result({ topic: "goodGround" }));
    const mine = (await viewer.get("/api/training").expect(200)).body as TrainingRecord[];
    expect(mine.map(({ topic }) => topic)).toEqual(["goodGround"]);
    await pim.get("/api/training/everybody").expect(403);
    const { body } = await owner.get("/api/training/everybody").expect(200);
    const of = (name: RegExp) => body.find((p: { name: string }) => name.test(p.name));
    expect(of(/^Pim/)).toMatchObject({ results: 2, meanScore: 70 });
    expect(of(/^Wren/)).toMatchObject({ results: 1, meanScore: null });
    expect(of(/^Pim/).topics).toContainEqual(
      expect.objectContaining({ topic: "whichFuse", right: 0, wrong: 1, box: 0 }),
    );
    expect(of(/^Ansa/)).toBeUndefined();
  });

  it.each([
    ["id", { id: "1" }],
    ["topic", { topic: "drop table" }],
    ["right", { right: "yes" }],
    ["score", { score: 101 }],
    ["about", { about: 7 }],
  ])("refuses a %s that cannot be, by its name, and keeps nothing", async (field, wrong) => {
    const before = (await pim.get("/api/training").expect(200)).body as TrainingRecord[];
    const { body } = await pim
      .post("/api/training/results")
      .send(result(wrong as never))
      .expect(422);
    expect(JSON.stringify(body.faults)).toContain(field);
    expect((await pim.get("/api/training").expect(200)).body).toEqual(before);
  });
});

/** A stand-in meter on loopback, as the command line serves it. */
class StandIn {
  private readonly sockets = new Set<Socket>();
  private readonly server: Server;

  private constructor(answer: (line: string) => string | null) {
    this.server = createServer((socket) => {
      this.sockets.add(socket);
      createInterface({ input: socket }).on("line", (line) => {
        const said = answer(line);
        if (said !== null) socket.write(`${said}\n`);
      });
    });
  }

  static async plug(port: number, answer: (line: string) => string | null): Promise<StandIn> {
    const own = new StandIn(answer);
    await new Promise<void>((done) => own.server.listen(port, "127.0.0.1", done));
    return own;
  }

  async unplug(): Promise<void> {
    for (const socket of this.sockets) socket.destroy();
    await new Promise((done) => this.server.close(done));
  }
}

describe("a meter", () => {
  let shop: Shop;
  let pim: Agent;
  let job: Job;
  let port: number;

  beforeAll(async () => {
    port = await freePort();
    shop = await Shop.open({ demo: true, meter: `127.0.0.1:${port}` });
    pim = await shop.person("pim");
    const { body: jobs } = await pim.get("/api/jobs").expect(200);
    const { id } = jobs.find((j: { title: string }) => j.title.startsWith("Twin horns"));
    job = (await pim.get(`/api/jobs/${id}`).expect(200)).body.document as Job;
  });
  afterAll(() => shop.close());

  /** The first events of the stream at a step. */
  const events = async (step: string): Promise<{ type: string; data: string }[]> => {
    const { text } = await pim
      .get(`/api/meter/stream?step=${encodeURIComponent(step)}`)
      .buffer(true)
      .parse((res, done) => {
        let said = "";
        res.on("data", (chunk: Buffer) => {
          said += chunk.toString();
          if ((said.match(/^data:/gm) ?? []).length >= 2) (res as unknown as Socket).destroy();
        });
        res.on("close", () => done(null, said));
      })
      .then((res) => ({ text: res.body as string }));
    return text.split("\n\n").flatMap((block) => {
      const type = /^event: (.*)$/m.exec(block)?.[1];
      const data = /^data: (.*)$/m.exec(block)?.[1];
      return type === undefined ? [] : [{ type, data: data ?? "" }];
    });
  };

  it("is read through the server as the solved circuit reads, with the fault that is hidden", async () => {
    const bench = new TestBench(job);
    const [group] = bench.groups;
    const fault = group!.suspects.find((s) => s.id === "horns.load2:open");
    const hidden = fault?.kind === "fault" ? fault : null;
    expect(hidden).not.toBeNull();
    const meter = new ScpiMeter(bench, hidden);
    const standIn = await StandIn.plug(port, (line) => meter.ask(line));
    const { body } = await pim.get("/api/meter").expect(200);
    expect(body.name).toMatch(/simulated meter/);
    const probe = scriptOf(group!).steps.find(
      (s) => s.probe.unit === "A" && s.expected.value > 3,
    )!.probe;
    const [first] = await events(probe.id);
    expect(first?.type).toBe("reading");
    expect(JSON.parse(first!.data)).toEqual({ value: simulatedReading(hidden, probe)!.value });
    // What reads nothing is told as nothing, and not as a number beyond all numbers.
    const [none] = await events("volts|off|no_such_place.pos|0");
    expect(JSON.parse(none!.data)).toEqual({ value: null });
    await standIn.unplug();
  });

  it("that is unplugged is told in a sentence, and read again once it is back", async () => {
    const { body } = await pim.get("/api/meter").expect(404);
    expect(body.message).toMatch(/no meter at 127\.0\.0\.1:\d+ .*what was read stays/);
    const [trouble] = await events("volts|off|battery.pos|0");
    expect(trouble?.type).toBe("trouble");
    expect(JSON.parse(trouble!.data).message).toMatch(/no meter at/);
    const again = await StandIn.plug(port, (line) => (line.endsWith("?") ? "12.4" : null));
    expect((await events("volts|off|battery.pos|0"))[0]).toMatchObject({ type: "reading" });
    await again.unplug();
    const after = await events("volts|off|battery.pos|0");
    expect(after[0]).toMatchObject({ type: "trouble" });
  });

  it("is asked for steps of a test alone, and by nobody who may only look", async () => {
    await pim.get("/api/meter/stream?step=*RST").expect(422);
    await pim
      .get(`/api/meter/stream?step=${encodeURIComponent('volts|off|x"\n*RST|0')}`)
      .expect(422);
    const viewer = await shop.person("wren");
    await viewer.get("/api/meter").expect(403);
  });
});
