/** Pages without a way to the server: what they were last told, jobs opened meanwhile, and the way back. */
import { randomUUID } from "node:crypto";
import { allOf, readJobText, type Job } from "@dragonet/core";
import { FELLRUNNER, demoPart } from "@dragonet/core/demo";
import { act, screen, waitFor, within } from "@testing-library/react";
import { jobWith } from "../../../packages/core/test/helpers.ts";
import { forgetAll } from "../src/app/useOwnAnswers.ts";
import { askOrLast, forgetOldAnswers } from "../src/base/lastAnswers.ts";
import { OfflineError } from "../src/base/api.ts";
import { reached, useReach } from "../src/base/reach.ts";
import { allNewJobs, keepNewJob, newJob, sendNewJob } from "../src/sync/newJobs.ts";
import { sendWaiting } from "../src/sync/sendWaiting.ts";
import { forgetOldJobs, keepJob, keptJob } from "../src/job/store/keptJobs.ts";
import { closePages, open, rewrite } from "./page/open.tsx";
import { ANSA, Shop } from "./page/shop.ts";

beforeEach(() => localStorage.setItem("dragonet.whose", ANSA.id));
afterEach(async () => {
  await closePages();
  reached();
});

const job = (title: string): Job => {
  const made = jobWith("pod-18", 2, allOf("high"));
  return { ...made, card: { ...made.card, title } };
};

/** A shop that opens jobs from their files, as the real one does. */
function shopThatOpens(): Shop {
  const shop = new Shop()
    .withParts(demoPart("pod-18"), demoPart("switch-rocker-16"))
    .withVehicles(FELLRUNNER)
    .withJob("one", job("Pods on the rack"));
  return shop.answers("POST jobs/import", ({ id, text }: { id: string; text: string }) => {
    const read = readJobText(text);
    if (!read.ok) return { status: 422, body: { message: "no job" } };
    if (!shop.jobs.has(id)) shop.withJob(id, read.value as unknown as Job);
    return { status: 201, body: { id, revision: 1, document: read.value } };
  });
}

/** Leaves the page and comes again, as a person does who starts the browser anew. */
async function comeAgain(opened: { unmount: () => void }, shop: Shop, path: string) {
  opened.unmount();
  return open(shop, path);
}

describe("what was last told", () => {
  it("is shown with its time where the server cannot be reached, and is asked for anew after", async () => {
    const shop = shopThatOpens();
    const first = await open(shop, "/");
    await screen.findByRole("link", { name: "Pods on the rack" });
    expect(screen.queryByText(/cannot be reached/)).toBeNull();
    shop.offline = true;
    const second = await comeAgain(first, shop, "/");
    expect(await screen.findByRole("link", { name: "Pods on the rack" })).toBeVisible();
    const said = await screen.findByText(/What you see is from/);
    expect(said).toHaveTextContent(/server cannot be reached.*kept in this browser/);
    await second.go("/shelf");
    expect(await screen.findByText("the server cannot be reached")).toBeVisible();
    await second.go("/");
    shop.offline = false;
    shop.withJob("two", job("Came meanwhile"));
    act(() => void window.dispatchEvent(new Event("online")));
    expect(await screen.findByRole("link", { name: "Came meanwhile" })).toBeVisible();
    await waitFor(() => expect(screen.queryByText(/What you see is from/)).toBeNull());
  });

  it("is told apart by what was asked, and is nothing where it never was", async () => {
    const shop = new Shop()
      .answers("POST shelf/named", ({ names }: { names: string[] }) => ({
        status: 200,
        body: names,
      }))
      .answers("GET calendar", () => ({ status: 200, body: { days: 3 } }));
    shop.install();
    await askOrLast("shelf/named", { names: ["a"] });
    await askOrLast("shelf/named", { names: ["b"] });
    await askOrLast("calendar");
    shop.offline = true;
    expect(await askOrLast("shelf/named", { names: ["a"] })).toEqual(["a"]);
    expect(await askOrLast("shelf/named", { names: ["b"] })).toEqual(["b"]);
    expect(await askOrLast("calendar")).toEqual({ days: 3 });
    await expect(askOrLast("shelf/named", { names: ["c"] })).rejects.toThrow(OfflineError);
    expect(useReach.getState()).toMatchObject({ lost: true, shownFrom: expect.any(Number) });
  });

  it("is not shown for what the server refuses, but where a proxy finds no server", async () => {
    let status = 200;
    let body: unknown = [1];
    const shop = new Shop().answers("GET calendar", () => ({ status, body }));
    shop.install();
    await askOrLast("calendar");
    [status, body] = [403, { message: "only owners may" }];
    await expect(askOrLast("calendar")).rejects.toThrow("only owners may");
    // The server itself says when it cannot; its words are shown and not hidden.
    [status, body] = [503, { message: "a later version keeps this shop now" }];
    await expect(askOrLast("calendar")).rejects.toThrow("a later version");
    [status, body] = [502, "<html>Bad Gateway</html>"];
    expect(await askOrLast("calendar")).toEqual([1]);
  });

  it("is shown after a while where the server takes long, whose answer is kept when it comes", async () => {
    let answer = (): void => undefined;
    let slow = false;
    const shop = new Shop().answers("GET calendar", async () => {
      if (slow) await new Promise<void>((done) => (answer = done));
      return { status: 200, body: slow ? ["new"] : ["old"] };
    });
    shop.install();
    await askOrLast("calendar");
    slow = true;
    jest.useFakeTimers({ doNotFake: ["setImmediate", "queueMicrotask"] });
    const asked = askOrLast("calendar");
    await jest.advanceTimersByTimeAsync(8_000);
    jest.useRealTimers();
    expect(await asked).toEqual(["old"]);
    answer();
    shop.answers("GET calendar", () => {
      throw new Error("not asked again");
    });
    await waitFor(async () => {
      shop.offline = true;
      expect(await askOrLast("calendar")).toEqual(["new"]);
    });
  });

  it("is kept for the latest two hundred questions", async () => {
    const shop = new Shop().answers("GET calendar", (_, path) => ({ status: 200, body: path }));
    shop.install();
    const now = jest.spyOn(Date, "now");
    for (let i = 0; i < 203; i += 1) {
      now.mockReturnValue(1_000 + i);
      await askOrLast(`calendar?n=${i}`);
    }
    now.mockRestore();
    await forgetOldAnswers();
    shop.offline = true;
    await expect(askOrLast("calendar?n=2")).rejects.toThrow(OfflineError);
    expect(await askOrLast("calendar?n=3")).toBe("calendar?n=3");
    expect(await askOrLast("calendar?n=202")).toBe("calendar?n=202");
  });

  it("is nobody else's: who comes after begins with nothing", async () => {
    const shop = shopThatOpens();
    const first = await open(shop, "/");
    await screen.findByRole("link", { name: "Pods on the rack" });
    await askOrLast("board/figures");
    first.unmount();
    shop.person = { ...ANSA, id: "pim", name: "Pim Okkerse" };
    await open(shop, "/help");
    await screen.findByText(/Pim Okkerse/);
    shop.offline = true;
    await waitFor(() => expect(localStorage.getItem("dragonet.whose")).toBe("pim"));
    await expect(askOrLast("board/figures")).rejects.toThrow(OfflineError);
    shop.offline = false;
    await forgetAll();
  });
});

describe("jobs kept ahead", () => {
  it("are the latest hundred, and those that something waits for", async () => {
    const now = jest.spyOn(Date, "now");
    for (let i = 0; i < 103; i += 1) {
      now.mockReturnValue(1_000 + i);
      await keepJob({ id: `job-${i}`, revision: 1, document: job("x") });
    }
    now.mockRestore();
    await forgetOldJobs(new Set(["job-1"]));
    expect(await keptJob("job-0")).toBeUndefined();
    expect(await keptJob("job-1")).toMatchObject({ revision: 1 });
    expect(await keptJob("job-2")).toBeUndefined();
    expect(await keptJob("job-3")).toMatchObject({ revision: 1 });
  });
});

describe("a job opened without a network", () => {
  it("by a sentence is worked on at once, waits in sight, and reaches the server with its edits", async () => {
    const shop = shopThatOpens();
    const first = await open(shop, "/");
    await first.user.type(
      await screen.findByLabelText(/Say the job/),
      "two pods on the key on the",
    );
    await screen.findByText(/Pods|pods/, { selector: "b" });
    shop.offline = true;
    await first.user.type(
      screen.getByLabelText(/Say the job/),
      ` ${FELLRUNNER.model} for Hester Vane{Enter}`,
    );
    await waitFor(() => expect(first.path()).toMatch(/^\/jobs\/[0-9a-f-]{36}\/circuit$/));
    const id = first.path().split("/")[2]!;
    expect(await screen.findByText(/Not saved yet: no connection/)).toBeInTheDocument();
    await first.go(`/jobs/${id}/intake`);
    await rewrite(first.user, await screen.findByRole("textbox", { name: "Customer" }), "H. Vane");
    await first.go("/");
    const here = within(await screen.findByRole("region", { name: "Only in this browser" }));
    expect(here.getByRole("link")).toHaveAttribute("href", `/jobs/${id}`);
    expect(here.getByText(/sent by itself/)).toBeVisible();
    expect(screen.getByText(/1 new job and 1 change not saved yet/)).toBeInTheDocument();
    expect(shop.jobs.has(id)).toBe(false);

    shop.offline = false;
    await sendWaiting(ANSA.id, () => null);
    await waitFor(() => expect(shop.job(id).card.customer).toBe("H. Vane"));
    expect(shop.job(id).lamps).toHaveLength(2);
    expect(await allNewJobs()).toEqual([]);
    await waitFor(() =>
      expect(screen.queryByRole("region", { name: "Only in this browser" })).toBeNull(),
    );
    const sent = shop.asked.filter(({ method }) => method === "POST").map(({ path }) => path);
    // The job goes before what was changed in it.
    expect(sent.lastIndexOf("jobs/import")).toBeLessThan(sent.lastIndexOf(`jobs/${id}/edits`));
  });

  it("from its fields takes the profile as it was last seen", async () => {
    const shop = shopThatOpens();
    const { user, path } = await open(shop, "/");
    await user.click(await screen.findByRole("button", { name: "New job" }));
    const dialog = within(await screen.findByRole("dialog", { name: "New job" }));
    await rewrite(user, await dialog.findByLabelText("What is wanted"), "Bar for the yard");
    await waitFor(() => expect(dialog.getByRole("button", { name: "Open job" })).toBeEnabled());
    shop.offline = true;
    await user.click(dialog.getByRole("button", { name: "Open job" }));
    await waitFor(() => expect(path()).toMatch(/\/intake$/));
    const [waiting] = await allNewJobs();
    expect(waiting).toMatchObject({ title: "Bar for the yard", said: "", personId: ANSA.id });
    expect(await keptJob(waiting!.id)).toMatchObject({
      document: { vehicle: { profileId: FELLRUNNER.profileId } },
    });
    shop.offline = false;
  });

  it("opens when its page is loaded again, with and without the network", async () => {
    const shop = shopThatOpens();
    const id = randomUUID();
    const document = job("In the yard");
    const text = JSON.stringify(document);
    const first = await open(shop, "/");
    await screen.findByRole("link", { name: "Pods on the rack" });
    await keepNewJob({
      id,
      personId: ANSA.id,
      title: "In the yard",
      text,
      said: "",
      at: 1,
      refused: "",
    });
    await keepJob({ id, revision: 1, document });
    shop.offline = true;
    const second = await comeAgain(first, shop, `/jobs/${id}/intake`);
    expect(await screen.findByRole("heading", { level: 1 })).toHaveTextContent("In the yard");
    shop.offline = false;
    await comeAgain(second, shop, `/jobs/${id}/intake`);
    expect(await screen.findByRole("heading", { level: 1 })).toHaveTextContent("In the yard");
    await waitFor(() => expect(shop.jobs.has(id)).toBe(true));
    await waitFor(() => expect(screen.getByText("Saved")).toBeInTheDocument());
  });

  it("that the server will not take is shown with its reason, and can be saved and let go", async () => {
    const shop = shopThatOpens().answers("POST jobs/import", () => ({
      status: 422,
      body: { message: "this job file cannot be read" },
    }));
    const id = randomUUID();
    await keepNewJob({
      id,
      personId: ANSA.id,
      title: "Refused",
      text: "{}",
      said: "",
      at: 1,
      refused: "",
    });
    const { user } = await open(shop, "/");
    const here = within(await screen.findByRole("region", { name: "Only in this browser" }));
    expect(await here.findByText(/did not take it: this job file cannot be read/)).toBeVisible();
    expect(here.getByRole("button", { name: "Save its job file" })).toBeEnabled();
    const asked = shop.sent("POST", "jobs/import").length;
    await sendWaiting(ANSA.id, () => null);
    expect(shop.sent("POST", "jobs/import")).toHaveLength(asked);
    await user.click(here.getByRole("button", { name: "Let it go" }));
    await waitFor(() =>
      expect(screen.queryByRole("region", { name: "Only in this browser" })).toBeNull(),
    );
    expect(await newJob(id)).toBeUndefined();
  });

  it("goes for whoever opened it alone, and is done with when it is in the bin already", async () => {
    const shop = shopThatOpens();
    shop.install();
    const theirs = randomUUID();
    const kept = { title: "x", text: "{}", said: "", at: 1, refused: "" };
    await keepNewJob({ id: theirs, personId: "pim", ...kept });
    await sendWaiting(ANSA.id, () => null);
    expect(shop.sent("POST", "jobs/import")).toEqual([]);
    shop.answers("POST jobs/import", () => ({ status: 410, body: { message: "in the bin" } }));
    expect(await sendNewJob(theirs)).toBe(true);
    expect(await allNewJobs()).toEqual([]);
    expect(await sendNewJob(theirs)).toBe(false);
  });
});
