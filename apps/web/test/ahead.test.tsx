/** What is kept of the shop before anybody asks for it. */
import type { JobOnBoardAnswer } from "@dragonet/contract";
import { renderHook } from "@testing-library/react";
import { useKeptAtHand } from "../src/board/ahead/useKeptAtHand.ts";
import { forgetJobs, keptJob } from "../src/job/store/keptJobs.ts";

const onBoard = (id: string) => ({ id, revision: 3 }) as JobOnBoardAnswer;
/** Time that goes by whatever the test makes of it: the browser's store works in it. */
const passing = globalThis.setTimeout;
let asked: string[];

beforeEach(async () => {
  await forgetJobs();
  asked = [];
  globalThis.fetch = (async (path: string) => {
    asked.push(path);
    const job = { id: path.split("/").at(-1), revision: 3, document: {} };
    return { ok: true, status: 200, headers: new Headers(), json: async () => job };
  }) as unknown as typeof fetch;
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
  Reflect.deleteProperty(navigator, "connection");
});

const later = async (): Promise<void> => {
  await jest.advanceTimersByTimeAsync(10_000);
  for (let i = 0; i < 10; i += 1) {
    await new Promise((done) => passing(done, 5));
    await jest.advanceTimersByTimeAsync(10);
  }
};

describe("jobs at hand", () => {
  it("are kept once the board has had the network to itself, and those that are kept not again", async () => {
    const jobs = [onBoard("a"), onBoard("b")];
    const { unmount } = renderHook(() => useKeptAtHand(jobs));
    expect(asked).toEqual([]);
    await later();
    expect(asked).toEqual(["/api/jobs/a", "/api/jobs/b"]);
    expect(await keptJob("b")).toMatchObject({ id: "b", revision: 3 });
    unmount();
    renderHook(() => useKeptAtHand(jobs));
    await later();
    expect(asked).toHaveLength(2);
  });

  it("are left where they are for who asks the browser to save data", async () => {
    Object.defineProperty(navigator, "connection", {
      value: { saveData: true },
      configurable: true,
    });
    const jobs = [onBoard("a")];
    renderHook(() => useKeptAtHand(jobs));
    await later();
    expect(asked).toEqual([]);
    expect(await keptJob("a")).toBeUndefined();
  });
});
