/** What is thrown in the heart reaches the page as a sentence with a way on, and the frame stays. */
import { createJob } from "@dragonet/core";
import { screen, waitFor, within } from "@testing-library/react";
import { planner } from "../src/worker/plan.worker.ts";
import { newVehicle } from "../src/vehicles/begin/newVehicle.ts";
import { closePages, open, rewrite, saved } from "./page/open.tsx";
import { Shop } from "./page/shop.ts";

// React says on the console what was thrown, beside what the page shows.
beforeEach(() => void jest.spyOn(console, "error").mockImplementation(() => undefined));
afterEach(async () => {
  await closePages();
  jest.restoreAllMocks();
});

const WORDS = "no item 3 in a list of 2";
const throwing = () =>
  jest.spyOn(planner, "plan").mockImplementation(() => {
    throw new RangeError(WORDS);
  });
const openJob = (path: string) =>
  open(new Shop().withJob("j", createJob("Two pods", "A farm", newVehicle())), `/jobs/j/${path}`);
const told = async () => within(await screen.findByRole("alert"));

describe("a plan that cannot be worked out", () => {
  it("is told with the job around it, and tried again by a press", async () => {
    const heart = throwing();
    const { user } = await openJob("circuit");
    expect((await told()).getByText(WORDS)).toBeVisible();
    expect(screen.getByRole("heading", { level: 1, name: "Two pods" })).toBeVisible();
    expect(screen.getByRole("link", { name: /Board/ })).toBeVisible();
    heart.mockRestore();
    await user.click((await told()).getByRole("button", { name: "Try again" }));
    expect(await screen.findByRole("button", { name: /New circuit/ })).toBeVisible();
    expect(screen.queryByText(WORDS)).toBeNull();
  });

  it("leaves the other pages of the job to go to", async () => {
    throwing();
    const { user, path } = await openJob("circuit");
    await told();
    const pages = screen.getByRole("navigation", { name: "Stages" });
    await user.click(within(pages).getByRole("link", { name: /Intake/ }));
    await waitFor(() => expect(path()).toBe("/jobs/j/intake"));
    expect(await screen.findByLabelText("Job")).toBeVisible();
  });

  it("is tried again when the change that broke it is undone", async () => {
    const { user, go } = await openJob("intake");
    await rewrite(user, await screen.findByLabelText("Job"), "Three pods");
    await saved();
    const heart = throwing();
    await go("/jobs/j/circuit");
    await told();
    heart.mockRestore();
    await user.click(screen.getByRole("button", { name: "Undo the last change" }));
    expect(await screen.findByRole("button", { name: /New circuit/ })).toBeVisible();
    expect(screen.getByRole("heading", { level: 1, name: "Two pods" })).toBeVisible();
  });
});
