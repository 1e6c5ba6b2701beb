/** The budget's page: use, rides and the charging curve, and the sheet that is taped to the machine. */
import { allOf, type Job } from "@dragonet/core";
import { screen, waitFor, within } from "@testing-library/react";
import { jobWith } from "../../../packages/core/test/helpers.ts";
import { choose, closePages, open, rewrite, saved } from "./page/open.tsx";
import { ANSA, Shop, demoWhere } from "./page/shop.ts";

afterEach(closePages);

const pods = (): Job => jobWith("pod-18", 2, allOf("high"));
const openBudget = (job: Job, shop = new Shop()) => open(shop.withJob("j", job), "/jobs/j/budget");

describe("how it is used", () => {
  it("is asked of an engine's battery by age and cold, of a pack by its evenings too", async () => {
    const { user, shop } = await openBudget(pods());
    expect(screen.queryByLabelText("Evenings a season")).toBeNull();
    await rewrite(user, await screen.findByLabelText("Coldest morning, °C"), "-18");
    await rewrite(user, screen.getByLabelText("Battery is, years old"), "31");
    expect(screen.getByLabelText("Battery is, years old")).toBeInvalid();
    await saved();
    expect(shop.job("j").use).toMatchObject({ coldestC: -18 });
  });

  it("of a pack is asked by its evenings", async () => {
    await openBudget(demoWhere(({ vehicle }) => vehicle.system.kind === "pack"));
    expect(await screen.findByLabelText("Evenings a season")).toBeVisible();
  });
});

describe("a ride", () => {
  it("is the usual one until it is the job's own, leg by leg", async () => {
    const { user, shop } = await openBudget(pods());
    const ride = await screen.findByRole("combobox", { name: "Ride" });
    await user.click(ride);
    const options = within(await screen.findByRole("listbox")).getAllByRole("option");
    await user.click(options.find((o) => /own|written/i.test(o.textContent))!);
    await saved();
    expect(shop.job("j").ride.length).toBeGreaterThan(0);
    const [leg] = shop.job("j").ride;
    await rewrite(user, screen.getByLabelText(`${leg!.name}: minutes, min`), "0");
    expect(screen.getByLabelText(`${leg!.name}: minutes, min`)).toBeInvalid();
    await rewrite(user, screen.getByLabelText(`${leg!.name}: rpm, rpm`), "2600");
    await saved();
    expect(shop.job("j").ride[0]).toMatchObject({ rpm: 2600, minutes: leg!.minutes });
  });
});

describe("the charging curve", () => {
  it("is made of three readings of a clamp, once they make sense", async () => {
    const { user, shop } = await openBudget(pods());
    const before = JSON.stringify(shop.job("j").vehicle.system);
    await user.click(await screen.findByRole("button", { name: "Make the curve from these" }));
    expect(await screen.findByRole("alert")).toBeVisible();
    expect(JSON.stringify(shop.job("j").vehicle.system)).toBe(before);
    for (const [n, amps] of [
      [1, "-1"],
      [2, "4"],
      [3, "9"],
    ] as const) {
      await rewrite(user, screen.getByLabelText(`Reading ${n}: into the battery, A`), amps);
      await rewrite(user, screen.getByLabelText(`Reading ${n}: taken by what was on, A on`), "5");
    }
    await user.click(screen.getByRole("button", { name: "Make the curve from these" }));
    await waitFor(() => expect(screen.queryByRole("alert")).toBeNull());
    await saved();
    const { system } = shop.job("j").vehicle;
    const points = system.kind === "engine" ? system.charging.points : [];
    expect(points.every((p) => p.outputA.provenance === "measured")).toBe(true);
    // What goes into the battery and what was taken meanwhile is what it gives: about 4 to 14 A.
    const given = points.map((p) => p.outputA);
    expect(given[0]?.low).toBeLessThan(4);
    expect(given[0]?.high).toBeGreaterThan(4);
    expect(given.at(-1)?.high).toBeGreaterThan(14);
  });

  it("is not touched by who may only look", async () => {
    const shop = new Shop();
    shop.person = { ...ANSA, role: "viewer" };
    await openBudget(pods(), shop);
    expect(await screen.findByLabelText("Reading 1: engine speed, rpm")).toBeDisabled();
  });
});

describe("the sheet", () => {
  it("has every run, what to lay out, and says so where something is to stop for", async () => {
    const job = jobWith("pod-18", 2, allOf("high"), { fuse: { kind: "rating", ratingA: 30 } });
    await open(new Shop().withJob("j", job), "/jobs/j/sheet");
    expect(await screen.findByRole("region", { name: "Test run" })).toBeVisible();
    expect(screen.getByText(/Do not build yet: \d+ to stop for/)).toBeVisible();
    expect(screen.getByText("18 W flood pod")).toBeVisible();
    expect(screen.getByText(/have the last word/)).toBeVisible();
    expect(await screen.findByRole("region", { name: "Tools" })).toHaveTextContent("multimeter");
  });

  it("is in the units of who reads it", async () => {
    const shop = new Shop().withJob("j", pods());
    shop.person = { ...ANSA, preferences: { units: "us", theme: "day" } };
    await open(shop, "/jobs/j/sheet");
    expect(await screen.findByRole("region", { name: "Test run" })).toHaveTextContent(/\d (in|ft)/);
  });
});

describe("rules of a place", () => {
  it("are chosen for the job and kept with it", async () => {
    const { user, shop, go } = await openBudget(pods());
    await go("/jobs/j/fit/lamps");
    const place = await screen.findByRole("combobox", { name: "Rules of the place" });
    await choose(user, place, "UN regulations");
    await saved();
    expect(shop.job("j").practices.place).toBe("un");
  });
});
