/** The board: jobs found, opened, said, taken in, and what is told when one is not taken. */
import { allOf, readJobText, type Job } from "@dragonet/core";
import { FELLRUNNER, LAPWING, demoPart } from "@dragonet/core/demo";
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { edited, jobWith } from "../../../packages/core/test/helpers.ts";
import { choose, closePages, open } from "./page/open.tsx";
import { ANSA, Shop } from "./page/shop.ts";

afterEach(closePages);

const named = (title: string, more: Partial<Job["card"]> = {}): Job => {
  const job = jobWith("pod-18", 1, allOf("high"));
  return { ...job, card: { ...job.card, title, ...more } };
};

const shopOf = (...jobs: Job[]): Shop => {
  const shop = new Shop().withVehicles(FELLRUNNER, LAPWING);
  jobs.forEach((job, i) => shop.withJob(`job-${i}`, job));
  return shop;
};

describe("jobs on the board", () => {
  it("stand under their stage, the soonest promised first", async () => {
    await open(
      shopOf(
        named("Later", { stage: "circuit", promised: "2026-06-09" }),
        named("Sooner", { stage: "circuit", promised: "2026-06-02" }),
        named("Some day", { stage: "circuit" }),
        named("Elsewhere", { stage: "fit" }),
      ),
      "/",
    );
    const stage = await screen.findByRole("region", { name: /Circuit/ });
    const titles = within(stage)
      .getAllByRole("link")
      .filter((link) => link.getAttribute("href")?.match(/^\/jobs\/job-\d+$/))
      .map((link) => link.textContent);
    expect(titles).toEqual(["Sooner", "Later", "Some day"]);
  });

  it("show the first three things in their way and count the rest", async () => {
    const blocked = named("Blocked");
    const blockers = ["one", "two", "three", "four", "five"].map((text, i) => ({
      ...{ id: `b${i}`, kind: "part" as const, text, resolved: false, since: "2026-05-04" },
    }));
    await open(shopOf({ ...blocked, blockers }), "/");
    expect(await screen.findByText("one")).toBeVisible();
    expect(screen.queryByText("five")).toBeNull();
    expect(screen.getByText(/^and \d+ more$/)).toBeVisible();
  });

  it("are found by every word of a search, whatever its case", async () => {
    const { user } = await open(shopOf(named("Two pods"), named("Bar and pods")), "/");
    await user.type(await screen.findByRole("searchbox"), "PODS bar");
    await waitFor(() => expect(screen.queryByRole("link", { name: "Two pods" })).toBeNull());
    expect(screen.getByRole("link", { name: "Bar and pods" })).toBeVisible();
    await user.type(screen.getByRole("searchbox"), " kettle");
    expect(await screen.findByText("No job has “PODS bar kettle”")).toBeVisible();
  });

  it("are none in a new shop, which says what to do", async () => {
    await open(new Shop(), "/");
    expect(await screen.findByText("No jobs yet")).toBeVisible();
  });

  it("may be looked at by a viewer, who is offered nothing else", async () => {
    const shop = shopOf(named("Two pods"));
    shop.person = { ...ANSA, role: "viewer" };
    await open(shop, "/");
    await screen.findByRole("link", { name: "Two pods" });
    expect(screen.queryByRole("button", { name: "New job" })).toBeNull();
    expect(screen.queryByLabelText(/Say the job/)).toBeNull();
    expect(screen.queryByLabelText("Job file in")).toBeNull();
  });

  it("that cannot be read are told with the way on", async () => {
    let broken = true;
    const none = { stages: [], onBenches: [], benches: [], any: false };
    const shop = new Shop().answers("GET board", () =>
      broken
        ? { status: 500, body: { message: "The store is away." } }
        : { status: 200, body: none },
    );
    const { user } = await open(shop, "/");
    expect(await screen.findByRole("alert")).toHaveTextContent("The store is away.");
    broken = false;
    await user.click(screen.getByRole("button", { name: "Try again" }));
    expect(await screen.findByText("No jobs yet")).toBeVisible();
  });
});

describe("a stage with many jobs", () => {
  const day = (i: number): string => new Date(Date.UTC(2026, 5, 1 + i)).toISOString().slice(0, 10);
  const many = Array.from({ length: 70 }, (_, i) =>
    named(`Job ${i + 1}`, { stage: "fit", promised: day(i) }),
  );
  const titles = (): string[] =>
    screen
      .getAllByRole("link", { name: /^Job \d+$/ })
      .map((link) => link.textContent)
      .filter((title, i, all) => all.indexOf(title) === i);

  it("shows the first of them, how many there are, and leads to all", async () => {
    const { user } = await open(shopOf(...many), "/");
    await screen.findByRole("region", { name: /Fit/ });
    // Those on the first screen are drawn first, the others right behind them.
    await waitFor(() => expect(titles()).toHaveLength(25));
    expect(titles()[0]).toBe("Job 1");
    await user.click(await screen.findByRole("link", { name: "All 70 at Fit" }));
    await waitFor(() => expect(titles()).toHaveLength(50));
    expect(screen.getByRole("combobox", { name: "Stage" })).toHaveTextContent("Fit");
  });

  it("is gone through some at a time, and back to the first", async () => {
    const { user } = await open(shopOf(...many), "/?stage=fit");
    await user.click(await screen.findByRole("link", { name: "Next ones" }));
    await waitFor(() => expect(titles()).toHaveLength(20));
    expect(titles()[0]).toBe("Job 51");
    expect(screen.queryByRole("link", { name: "Next ones" })).toBeNull();
    await user.click(screen.getByRole("link", { name: "From the first" }));
    await waitFor(() => expect(titles()[0]).toBe("Job 1"));
  });

  it("is begun anew when something else is looked for", async () => {
    const { user } = await open(shopOf(...many), "/?stage=fit");
    await user.click(await screen.findByRole("link", { name: "Next ones" }));
    await user.type(screen.getByRole("searchbox"), "Job 70");
    await waitFor(() => expect(titles()).toEqual(["Job 70"]));
    await user.clear(screen.getByRole("searchbox"));
    await waitFor(() => expect(titles()[0]).toBe("Job 1"));
  });
});

describe("a new job", () => {
  it("needs a few words, and goes to its intake", async () => {
    const shop = shopOf().answers("POST jobs", () => {
      shop.withJob("fresh", named("Two pods"));
      return { status: 201, body: { id: "fresh" } };
    });
    const { user, path } = await open(shop, "/");
    await user.click(await screen.findByRole("button", { name: "New job" }));
    const dialog = within(await screen.findByRole("dialog", { name: "New job" }));
    await waitFor(() => expect(dialog.getByRole("button", { name: "Open job" })).toBeEnabled());
    await user.click(dialog.getByRole("button", { name: "Open job" }));
    expect(await dialog.findByText(/so that it can be found again/)).toBeVisible();
    await choose(user, dialog.getByRole("combobox", { name: "Vehicle" }), LAPWING.model);
    await user.type(dialog.getByLabelText("What is wanted"), "Two pods");
    await user.type(dialog.getByLabelText("Customer"), "A farm");
    await user.click(dialog.getByRole("button", { name: "Open job" }));
    await waitFor(() => expect(path()).toBe("/jobs/fresh/intake"));
    expect(shop.sent("POST", "jobs")).toEqual([
      {
        ...{ title: "Two pods", customer: "A farm", machine: "" },
        profileId: LAPWING.profileId,
      },
    ]);
  });

  it("waits for a vehicle where there is none", async () => {
    const { user } = await open(new Shop(), "/");
    await user.click(await screen.findByRole("button", { name: "New job" }));
    expect(await screen.findByText(/No vehicle profile yet/)).toBeVisible();
    expect(screen.getByRole("button", { name: "Open job" })).toBeDisabled();
  });

  it("says what the server refused, and stays open with what was typed", async () => {
    const shop = shopOf().answers("POST jobs", () => ({
      status: 422,
      body: { message: "That profile is gone." },
    }));
    const { user } = await open(shop, "/");
    await user.click(await screen.findByRole("button", { name: "New job" }));
    await user.type(await screen.findByLabelText("What is wanted"), "Two pods{Enter}");
    expect(await screen.findByText("That profile is gone.")).toBeVisible();
    expect(screen.getByLabelText("What is wanted")).toHaveValue("Two pods");
  });
});

describe("a job file", () => {
  const file = (text: string): File => new File([text], "x.json", { type: "application/json" });

  it("that is right opens its job", async () => {
    const shop = shopOf().answers("POST jobs/import", () => {
      shop.withJob("in", named("From elsewhere"));
      return { status: 201, body: { id: "in" } };
    });
    const { user, path } = await open(shop, "/");
    await user.upload(await screen.findByLabelText("Job file in"), file("{}"));
    await waitFor(() => expect(path()).toMatch(/^\/jobs\/in/));
    expect(shop.sent("POST", "jobs/import")).toEqual([{ text: "{}" }]);
  });

  it("that is broken is told with every place, and the board stays", async () => {
    const shop = shopOf().answers("POST jobs/import", () => ({
      status: 422,
      body: {
        message: "This is no job.",
        faults: [
          { path: "runs[0].on", message: "missing" },
          { path: "", message: "needs an object" },
        ],
      },
    }));
    const { user, path } = await open(shop, "/");
    await user.upload(await screen.findByLabelText("Job file in"), file("{"));
    const dialog = within(await screen.findByRole("dialog", { name: /not taken in/ }));
    expect(dialog.getByText("runs[0].on")).toBeVisible();
    expect(dialog.getByText("document")).toBeVisible();
    await user.click(dialog.getByRole("button", { name: "Close" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(path()).toBe("/");
  });
});

/** A shop with pods on its shelf that takes in the job that a sentence makes. */
function takingJobs(): Shop {
  const shop: Shop = shopOf()
    .withParts(demoPart("pod-18"), demoPart("switch-rocker-16"))
    .answers("POST jobs/import", ({ text }: { text: string }) => {
      const read = readJobText(text);
      if (!read.ok) return { status: 422, body: { message: "no job" } };
      shop.withJob("said", read.value as unknown as Job);
      return { status: 201, body: { id: "said" } };
    });
  return shop;
}

describe("a job that is said", () => {
  it("is looked over, asks what is missing, and is planned by Enter", async () => {
    const shop = takingJobs();
    const { user, path } = await open(shop, "/");
    const sentence = await screen.findByLabelText(/Say the job/);
    await user.type(sentence, "two pods with high beam and a kettle");
    expect(await screen.findByText(/Not understood/)).toBeVisible();
    expect(screen.getByText(/“kettle”/)).toBeVisible();
    expect(screen.getByRole("button", { name: "Plan it" })).toBeDisabled();
    await choose(user, screen.getByRole("combobox", { name: "Which vehicle" }), FELLRUNNER.model);
    await waitFor(() => expect(screen.getByRole("button", { name: "Plan it" })).toBeEnabled());
    await user.type(sentence, "{Enter}");
    await waitFor(() => expect(path()).toBe("/jobs/said/circuit"));
    const job = shop.job("said");
    expect(job.lamps).toHaveLength(2);
    expect(job.vehicle.profileId).toBe(FELLRUNNER.profileId);
    expect(edited(job)).toBe(job);
  });

  it("is planned by its last words, also when Enter comes before they were read", async () => {
    const shop = takingJobs();
    const { user, path } = await open(shop, "/");
    const sentence = await screen.findByLabelText(/Say the job/);
    const first = `two pods with high beam on the ${FELLRUNNER.model}`;
    await user.type(sentence, first);
    await waitFor(() => expect(screen.getByRole("button", { name: "Plan it" })).toBeEnabled());
    fireEvent.change(sentence, { target: { value: `${first} for Scar Top Farm, by 2999-05-01` } });
    fireEvent.keyDown(sentence, { key: "Enter" });
    await waitFor(() => expect(path()).toBe("/jobs/said/circuit"));
    expect(shop.job("said").card).toMatchObject({
      ...{ customer: "Scar Top Farm", promised: "2999-05-01" },
    });
    expect(shop.sent("POST", "jobs/import")).toHaveLength(1);
  });
});

describe("the board as it is looked at", () => {
  const late = named("Late", { stage: "fit", promised: "2020-01-01", bench: "Bench 1" });
  const soon = named("Soon", { stage: "circuit", promised: "2999-01-01", bench: "Bench 2" });
  const blocker = { id: "b1", kind: "customer" as const, text: "colour of the lamps" };
  const asks = { ...named("Asks", { stage: "circuit" }), blockers: [blocker] };
  const titles = (): (string | null)[] =>
    screen
      .getAllByRole("link")
      .filter((link) => link.getAttribute("href")?.match(/^\/jobs\/job-\d+$/))
      .map((link) => link.textContent);

  it("says what is next on each job, and leads there", async () => {
    await open(shopOf(soon), "/");
    const next = await screen.findByRole("link", {
      name: "try every position and fault at the bench",
    });
    expect(next).toHaveAttribute("href", "/jobs/job-0/circuit");
  });

  it("leaves out by bench, stage, promise and what is waited for, in its address", async () => {
    const { user, path } = await open(shopOf(late, soon, asks), "/");
    await screen.findByRole("link", { name: "Soon" });
    await choose(user, screen.getByRole("combobox", { name: "Bench" }), "Bench 2");
    await waitFor(() => expect(titles()).toEqual(["Soon"]));
    await choose(user, screen.getByRole("combobox", { name: "Bench" }), "any bench");
    await choose(user, screen.getByRole("combobox", { name: "Waits for" }), "the customer");
    await waitFor(() => expect(titles()).toEqual(["Asks"]));
    await choose(user, screen.getByRole("combobox", { name: "Stage" }), "5 Fit");
    expect(await screen.findByText("No job is like that")).toBeVisible();
    expect(path()).toBe("/");
  });

  it("is as its address says, and what that cannot mean is the whole board", async () => {
    const first = await open(shopOf(late, soon), "/?late=1");
    await waitFor(() => expect(titles()).toEqual(["Late"]));
    first.unmount();
    await open(shopOf(late, soon), "/?stage=nonsense");
    await screen.findByRole("link", { name: "Soon" });
    expect(titles()).toContain("Late");
  });

  it("is kept by a name, found again by it, and forgotten", async () => {
    const shop = shopOf(late, soon).answers("PUT session/preferences", (preferences: never) => {
      shop.person = { ...ANSA, preferences };
      return { status: 204 };
    });
    const { user } = await open(shop, "/?late=1");
    await user.click(await screen.findByRole("button", { name: "Keep this view" }));
    const dialog = within(await screen.findByRole("dialog", { name: "Keep this view" }));
    await user.type(dialog.getByLabelText("Name"), "Hurry{Enter}");
    const kept = await screen.findByRole("link", { name: "Hurry" });
    expect(kept).toHaveAttribute("aria-current", "true");
    await user.click(screen.getByRole("link", { name: "All jobs" }));
    await waitFor(() => expect(titles()).toContain("Soon"));
    await user.click(screen.getByRole("link", { name: "Hurry" }));
    await waitFor(() => expect(titles()).toEqual(["Late"]));
    await user.click(screen.getByRole("button", { name: "Forget Hurry" }));
    await waitFor(() => expect(screen.queryByRole("link", { name: "Hurry" })).toBeNull());
    expect(shop.sent<{ views: unknown[] }>("PUT", "session/preferences").at(-1)?.views).toEqual([]);
  });

  it("takes a job to another stage where it is dragged, and back by Undo", async () => {
    const shop = shopOf(soon);
    const { user } = await open(shop, "/");
    const line = (await screen.findByRole("link", { name: "Soon" })).closest("li")!;
    const dataTransfer = { setData: () => {}, effectAllowed: "" };
    fireEvent.dragStart(line, { dataTransfer });
    const prove = await screen.findByRole("region", { name: /Prove/ });
    fireEvent.dragOver(prove, { dataTransfer });
    fireEvent.drop(prove, { dataTransfer });
    await waitFor(() => expect(shop.job("job-0").card.stage).toBe("prove"));
    expect(await screen.findByText("Soon: Prove")).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Undo" }));
    await waitFor(() => expect(shop.job("job-0").card.stage).toBe("circuit"));
  });

  it("is not moved by who may only look", async () => {
    const shop = shopOf(soon);
    shop.person = { ...ANSA, role: "viewer" };
    await open(shop, "/");
    const line = (await screen.findByRole("link", { name: "Soon" })).closest("li")!;
    expect(line).not.toHaveAttribute("draggable");
  });
});
