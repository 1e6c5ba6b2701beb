/** A job on a phone: one line above, the rest by a press, what is next and the pages at the thumb. */
import { createJob } from "@dragonet/core";
import { screen, waitFor, within } from "@testing-library/react";
import { newVehicle } from "../src/vehicles/begin/newVehicle.ts";
import { closePages, open } from "./page/open.tsx";
import { Shop, demoWhere } from "./page/shop.ts";

const wide = window.matchMedia;
beforeAll(() => {
  // As wide as a phone: 390 px are below both widths that styles ask for.
  window.matchMedia = (query) => ({ ...wide(query), matches: query.includes("max-width") });
});
afterAll(() => {
  window.matchMedia = wide;
});
afterEach(closePages);

const NAME = "A job with a name that does not fit into one line of a phone";

describe("a job on a phone", () => {
  const openAt = (stage: string) => {
    const shop = new Shop().withJob("j", createJob(NAME, "A farm", newVehicle()));
    return open(shop, `/jobs/j/${stage}`);
  };

  it("has its whole name, and the rest when it is asked for", async () => {
    const { user } = await openAt("intake");
    const name = await screen.findByRole("heading", { level: 1, name: NAME });
    expect(name.className).not.toContain("truncate");
    expect(screen.getAllByRole("link", { name: "Board" }).at(-1)).toHaveAttribute("href", "/");
    expect(screen.queryByRole("combobox", { name: "Stage of the job" })).toBeNull();
    expect(screen.queryByText(/A farm/)).toBeNull();
    const more = screen.getByRole("button", { name: "More of this job" });
    expect(more).toHaveAttribute("aria-expanded", "false");
    await user.click(more);
    expect(more).toHaveAttribute("aria-expanded", "true");
    expect(screen.getByText("New model · A farm")).toBeVisible();
    expect(screen.getByRole("combobox", { name: "Stage of the job" })).toBeVisible();
    expect(screen.getByText("Saved")).toBeVisible();
    const pages = within(screen.getAllByRole("navigation", { name: "Pages" }).at(-1)!);
    expect(pages.getByRole("link", { name: "Shelf" })).toHaveAttribute("href", "/shelf");
  });

  it("has its neighbours at the thumb, and every page by a press that closes again", async () => {
    const { user, path } = await openAt("budget");
    const stages = within(await screen.findByRole("navigation", { name: "Stages" }));
    const fold = stages.getByRole<HTMLDetailsElement>("group");
    expect(fold.open).toBe(false);
    const summary = fold.querySelector("summary")!;
    expect(summary).toHaveTextContent("2Budget");
    await user.click(summary);
    expect(
      within(fold)
        .getAllByRole("link")
        .map((a) => a.textContent),
    ).toHaveLength(10);
    await user.keyboard("{Escape}");
    expect(fold.open).toBe(false);
    expect(summary).toHaveFocus();
    await user.click(summary);
    await user.click(within(fold).getByRole("link", { name: /Hand over/ }));
    await waitFor(() => expect(path()).toBe("/jobs/j/handOver"));
    // Its neighbours stand beside it, in the list's order.
    const beside = () =>
      within(screen.getByRole("navigation", { name: "Stages" }))
        .getAllByRole("link")
        .filter((a) => a.closest("details") === null)
        .map((a) => a.textContent);
    await waitFor(() => expect(beside()).toEqual(["7Aim", "Sheet"]));
    const there = within(screen.getByRole("navigation", { name: "Stages" }));
    expect(there.getByRole<HTMLDetailsElement>("group").open).toBe(false);
  });

  it("finds anything from its own line", async () => {
    const { user } = await openAt("intake");
    await user.click((await screen.findAllByRole("button", { name: "Find" })).at(-1)!);
    expect(await screen.findByRole("dialog")).toBeVisible();
    await user.keyboard("{Escape}");
    expect(screen.queryByRole("dialog")).toBeNull();
  });

  it("leads to what is next, and does not where that is done on this page", async () => {
    const { user, path } = await openAt("intake");
    await user.click(await screen.findByRole("link", { name: "Next lay out the first circuit" }));
    expect(path()).toBe("/jobs/j/circuit");
    await waitFor(() => expect(screen.queryByRole("link", { name: /^Next/ })).toBeNull());
  });

  it("has its cut list as a list, each wire with both its ends", async () => {
    const job = demoWhere((j) => j.runs.length === 2);
    await open(new Shop().withJob("j", job), "/jobs/j/fit/cut");
    const heading = await screen.findByRole("heading", { name: "Cut list" });
    const section = within(heading.closest("section")!);
    expect(section.queryByRole("table")).toBeNull();
    const items = section.getAllByRole("listitem");
    expect(items.length).toBeGreaterThan(5);
    for (const item of items) {
      expect(item.textContent).toMatch(/(AWG|mm²).*\d+ m(m|).*: \d+ mm, .*: \d+ mm, /s);
    }
  });

  it("keeps controls and lamps together on the bench", async () => {
    const job = demoWhere((j) => j.runs.length === 2);
    await open(new Shop().withJob("j", job), "/jobs/j/circuit");
    const controls = await screen.findByRole("group", { name: "Controls" });
    const together = controls.parentElement!;
    expect(together.className).toContain("sticky");
    expect(within(together).getByRole("img", { name: /^front:/ })).toBeVisible();
    expect(screen.getAllByRole("img", { name: /^front:/ })).toHaveLength(1);
  });
});
