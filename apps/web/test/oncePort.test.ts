import { createJob, seeded, type Job } from "@dragonet/core";
import { newVehicle } from "../src/vehicles/begin/newVehicle.ts";
import { OnceReceiver, OnceSender, isJob, isWorld } from "../src/worker/port/oncePort.ts";

const jobs = Array.from({ length: 20 }, (_, i): Job => createJob(`Job ${i}`, "", newVehicle()));
const over = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

describe("jobs between page and worker", () => {
  it("cross whole the first time, and by their number after that", () => {
    const sender = new OnceSender<Job>();
    const [one, two] = jobs as [Job, Job];
    expect(sender.post(one)).toEqual({ number: 1, value: one });
    expect(sender.post(two)).toEqual({ number: 2, value: two });
    expect(sender.post(one)).toEqual({ number: 1, value: null });
  });

  it("stay one object where they arrive, so that what was worked out of them is found again", () => {
    const [sender, receiver] = [new OnceSender<Job>(), new OnceReceiver<Job>()];
    const first = receiver.take(over(sender.post(jobs[0]!)));
    receiver.take(over(sender.post(jobs[1]!)));
    expect(receiver.take(over(sender.post(jobs[0]!)))).toBe(first);
    expect(first).toEqual(jobs[0]);
  });

  it("are sent whole again once the other side has let go of them, in any order of use", () => {
    const [sender, receiver] = [new OnceSender<Job>(), new OnceReceiver<Job>()];
    const chance = seeded(3);
    let whole = 0;
    for (let i = 0; i < 3000; i += 1) {
      const job = jobs[Math.floor(chance() ** 2 * jobs.length)]!;
      const posted = over(sender.post(job));
      if (posted.value) whole += 1;
      expect(receiver.take(posted).card.title).toBe(job.card.title);
    }
    // Most are there already; but no side holds them all.
    expect(whole).toBeGreaterThan(jobs.length);
    expect(whole).toBeLessThan(1500);
  });

  it("are sent whole to another worker, and its own are not taken for those of the one before", () => {
    const [page, worker] = [new OnceSender<Job>(), new OnceReceiver<Job>()];
    const heard = new OnceReceiver<Job>();
    const [one, two] = jobs as [Job, Job];
    worker.take(page.post(one));
    heard.take({ number: 1, value: one });
    page.forget();
    heard.forget();
    expect(new OnceReceiver<Job>().take(page.post(one))).toBe(one);
    // It counts from one again.
    expect(heard.take({ number: 1, value: two })).toBe(two);
  });

  it("are asked for by nobody who never sent them", () => {
    expect(() => new OnceReceiver<Job>().take({ number: 4, value: null })).toThrow(
      "number 4 is not held here",
    );
  });

  it("are told from everything else that crosses", () => {
    expect(isJob(jobs[0])).toBe(true);
    for (const other of [null, undefined, 7, "job", [], {}, new Set(), jobs[0]!.vehicle]) {
      expect(isJob(other)).toBe(false);
      expect(isWorld(other)).toBe(false);
    }
    const world = { vehicles: [], shelf: [], customers: [], vehicle: null };
    expect([isWorld(world), isJob(world), isWorld(jobs[0])]).toEqual([true, false, false]);
  });
});
