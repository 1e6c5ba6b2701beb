/** What is known of a model: on its profile, where a job on it begins, and from another shop. */
import { createJob, vehicleFacts, type Measurement, type Vehicle } from "@dragonet/core";
import type { ComparedModelAnswer } from "@dragonet/contract";
import { FELLRUNNER as WHOLE, LAPWING } from "@dragonet/core/demo";
import { screen, waitFor, within } from "@testing-library/react";
import { closePages, open, rewrite, saved } from "./page/open.tsx";
import { Shop } from "./page/shop.ts";

afterEach(closePages);

/** The quad without its map and its plugs, so that its pages are small. */
const FELLRUNNER: Vehicle = { ...WHOLE, places: [], segments: [], connectors: [], pins: [] };

const KEY = "output at 2000 rpm";
const seen = (value: number, machine: string, change: Partial<Measurement> = {}): Measurement => ({
  ...{ key: KEY, words: "charging output at 2000 rpm", unit: "A", said: "" },
  ...{ value, low: value - 0.2, high: value + 0.2, machine, year: 2020, variant: "" },
  ...{ who: "Ansa", day: "2026-03-01", jobId: "", from: "" },
  ...change,
});
const knows = (...all: Measurement[]) =>
  new Shop()
    .withVehicles(FELLRUNNER)
    .answers(`GET models/${FELLRUNNER.profileId}/known`, () => ({ status: 200, body: all }));
const factAt = (vehicle: typeof FELLRUNNER, key = KEY) =>
  vehicleFacts(vehicle).find((fact) => fact.key === key)!.fact;

describe("what machines of a model showed", () => {
  const open13 = [seen(13.4, "a"), seen(13.5, "b", { jobId: "job-b" }), seen(13.6, "c")];

  it("stands on its profile with who and when, and whether they agree", async () => {
    const shop = knows(
      ...open13,
      seen(3, "a", { key: "x", words: "heated grips", from: "Other shop" }),
    );
    await open(shop, `/vehicles/${FELLRUNNER.profileId}`);
    expect(await screen.findByText(/^4 machines\./)).toBeVisible();
    const row = screen.getByText("charging output at 2000 rpm").closest("summary")!;
    expect(row).toHaveTextContent(/13\.5 A \(13\.\d+ to 1\d\.?\d*\)\s*3 machines agree/);
    const machines = screen.getByRole("list", { name: "Machines: charging output at 2000 rpm" });
    expect(within(machines).getAllByRole("listitem")).toHaveLength(3);
    expect(within(machines).getByRole("link", { name: "its job" })).toHaveAttribute(
      "href",
      "/jobs/job-b/intake",
    );
    const other = screen.getByRole("list", { name: "Machines: heated grips" });
    expect(other).toHaveTextContent("Other shop");
    expect(screen.getByRole("link", { name: "File for another shop" })).toHaveAttribute(
      "href",
      `/api/models/${FELLRUNNER.profileId}/file`,
    );
  });

  it("is told where they disagree", async () => {
    await open(
      knows(seen(10, "a"), seen(14, "b"), seen(18, "c")),
      `/vehicles/${FELLRUNNER.profileId}`,
    );
    expect(await screen.findByText(/they disagree on one thing|disagree on 1 thing/)).toBeVisible();
    expect(screen.getByText(/3 machines disagree/)).toBeVisible();
  });

  it("is written into the profile by a press, and is nothing anymore to be written", async () => {
    const { user, shop } = await open(knows(...open13), `/vehicles/${FELLRUNNER.profileId}`);
    await user.click(await screen.findByRole("button", { name: "Write it into the profile" }));
    expect(screen.queryByRole("button", { name: "Write it into the profile" })).toBeNull();
    await user.click(screen.getByRole("button", { name: "Save profile" }));
    expect(await screen.findByText("Saved")).toBeVisible();
    const { value } = shop.vehicles.get(FELLRUNNER.profileId)!;
    expect(factAt(value)).toMatchObject({ value: 13.5, provenance: "sister" });
  });

  it("of a model that nobody has measured says so", async () => {
    await open(knows(), `/vehicles/${FELLRUNNER.profileId}`);
    expect(await screen.findByText(/^Nothing yet: what is measured on a job/)).toBeVisible();
  });
});

describe("the intake of a job", () => {
  const job = createJob("Pods", "", FELLRUNNER);

  it("asks first what narrows a verdict, and takes a typed number as measured", async () => {
    const shop = knows(seen(13.4, "a"), seen(13.5, "b"), seen(13.6, "c")).withJob("j", job);
    const { user } = await open(shop, "/jobs/j/intake");
    const list = await screen.findByRole("list", { name: "What to measure first" });
    await waitFor(() =>
      expect(within(list).getAllByText(/% of the doubt/).length).toBeGreaterThan(1),
    );
    expect(within(list).getAllByText(/% of the doubt/).length).toBeLessThanOrEqual(4);
    expect(screen.queryByTestId("room")).toBeNull();
    const shares = within(list)
      .getAllByText(/% of the doubt about/)
      .map((line) => Number.parseInt(line.textContent, 10));
    expect(shares).toEqual(shares.toSorted((a, b) => b - a));
    const first = within(list).getAllByRole("listitem")[0]!;
    const words = first.querySelector("span")!.textContent;
    const [field] = within(first).getAllByLabelText(/^To measure: /);
    await rewrite(user, field!, "3.3");
    await saved();
    const fact = vehicleFacts(shop.job("j").vehicle).find((f) => f.words === words)!;
    expect(fact.fact).toMatchObject({ value: 3.3, provenance: "measured" });
  });

  it("tells the history of what it asks: which machine showed what, who found it and when", async () => {
    const idle = { key: "output at 1200 rpm", words: "charging output at 1200 rpm" };
    const shop = knows(
      seen(13.4, "a", idle),
      seen(15.6, "b", { ...idle, who: "Wren", jobId: "job-b" }),
    );
    const { user } = await open(shop.withJob("j", job), "/jobs/j/intake");
    await user.click(await screen.findByText(/^2 machines of the model: /));
    const machines = screen.getByRole("list", { name: "Machines: charging output at 1200 rpm" });
    expect(machines).toHaveTextContent(/13\.4 A.*Ansa, 2026-03-01.*15\.6 A.*Wren/);
    expect(within(machines).getByRole("link", { name: "its job" })).toBeVisible();
  });

  it("takes what other machines of the model showed by a press, where nobody measured here", async () => {
    const shop = knows(seen(13.4, "a"), seen(13.5, "b"), seen(13.6, "c")).withJob("j", job);
    const { user } = await open(shop, "/jobs/j/intake");
    await user.click(
      await screen.findByRole("button", { name: /^Take (one|1) value from other machines$/ }),
    );
    await saved();
    expect(factAt(shop.job("j").vehicle)).toMatchObject({ value: 13.5, provenance: "sister" });
    expect(screen.queryByRole("button", { name: /from other machines/ })).toBeNull();
  });

  it("folds everything else, and says how much of it is known how", async () => {
    const shop = knows().withJob("j", job);
    const { user } = await open(shop, "/jobs/j/intake");
    const fold = await screen.findByText("All its facts");
    expect(fold).toHaveTextContent(/\d+ measured, \d+ stated, \d+ assumed/);
    expect(screen.queryByLabelText("Output at 2000 rpm, A")).toBeNull();
    await user.click(fold);
    expect(await screen.findByLabelText("Output at 2000 rpm, A")).toHaveValue("13.5");
  });

  it("says the machine and its year", async () => {
    const shop = knows().withJob("j", job);
    const { user } = await open(shop, "/jobs/j/intake");
    await rewrite(user, await screen.findByLabelText(/^Machine: /), "plate 7");
    await rewrite(user, screen.getByLabelText(/^Model year/), "2021");
    await saved();
    expect(shop.job("j").vehicle).toMatchObject({ machine: "plate 7", year: 2021 });
  });
});

describe("another shop's file of a model", () => {
  const FILE = { format: "dragonet-model/1" };
  const compared = (change: Partial<ComparedModelAnswer> = {}): ComparedModelAnswer => ({
    ...{
      profileId: FELLRUNNER.profileId,
      model: FELLRUNNER.model,
      revision: 3,
      shop: "Other shop",
    },
    differences: [
      { id: "vehicle.note", words: "vehicle: note", mine: "Ours.", theirs: "Theirs." },
      { id: "pin tail / 2", words: "wire tail / 2", mine: "", theirs: "red, brake" },
    ],
    measurements: 2,
    ...change,
  });
  const brings = (answer: ComparedModelAnswer) =>
    new Shop()
      .withVehicles(FELLRUNNER, LAPWING)
      .answers("POST models/compare", () => ({ status: 200, body: answer }))
      .answers("POST models/take", () => ({
        status: 200,
        body: { value: FELLRUNNER, revision: 4 },
      }));
  const bring = async (shop: Shop, text = JSON.stringify(FILE)) => {
    const page = await open(shop, "/vehicles");
    const field = await screen.findByLabelText("Take a model in");
    await page.user.upload(field, new File([text], "m.json", { type: "application/json" }));
    return page;
  };

  it("is shown thing by thing, and what is ticked is taken", async () => {
    const { user, shop, path } = await bring(brings(compared()));
    const dialog = await screen.findByRole("dialog", { name: /by Other shop/ });
    expect(within(dialog).getByText("Ours. →", { exact: false })).toBeVisible();
    expect(within(dialog).getByRole("button", { name: "Take the measurements" })).toBeEnabled();
    await user.click(within(dialog).getByRole("checkbox", { name: "wire tail / 2" }));
    await user.click(within(dialog).getByRole("button", { name: /^Take (one|1) thing$/ }));
    await waitFor(() => expect(path()).toBe(`/vehicles/${FELLRUNNER.profileId}`));
    expect(shop.sent("POST", "models/take")).toEqual([
      { file: FILE, take: ["pin tail / 2"], revision: 3 },
    ]);
  });

  it("is ticked whole, and unticked one by one", async () => {
    const { user, shop } = await bring(brings(compared()));
    const dialog = await screen.findByRole("dialog");
    await user.click(within(dialog).getByRole("button", { name: "Tick all" }));
    await user.click(within(dialog).getByRole("checkbox", { name: "vehicle: note" }));
    await user.click(within(dialog).getByRole("button", { name: /^Take (one|1) thing$/ }));
    await waitFor(() => expect(shop.sent("POST", "models/take")).toHaveLength(1));
    expect(shop.sent<{ take: string[] }>("POST", "models/take")[0]!.take).toEqual(["pin tail / 2"]);
  });

  it("of a model that is new here comes whole", async () => {
    const { user, shop } = await bring(
      brings(compared({ profileId: "", revision: 0, differences: [] })),
    );
    expect(await screen.findByText(/is new here: it comes whole/)).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Take it in" }));
    await waitFor(() => expect(shop.sent("POST", "models/take")).toHaveLength(1));
  });

  it("that is changed meanwhile, or is none, is told and leaves the page as it is", async () => {
    const shop = brings(compared()).answers("POST models/take", () => ({
      ...{ status: 409, body: { message: "changed meanwhile; compare again" } },
    }));
    const { user, path } = await bring(shop);
    await user.click(await screen.findByRole("button", { name: "Take the measurements" }));
    expect(await screen.findByText("changed meanwhile; compare again")).toBeVisible();
    expect(path()).toBe("/vehicles");
    await user.click(screen.getByRole("button", { name: "Not now" }));
    expect(screen.queryByRole("dialog")).toBeNull();
  });

  it("that cannot be read is told with its places", async () => {
    const shop = brings(compared()).answers("POST models/compare", () => ({
      status: 422,
      body: { message: "cannot be read", faults: [{ path: "shape", message: "must be 8" }] },
    }));
    await bring(shop, "{ not json");
    expect(await screen.findByText("shape")).toBeVisible();
    expect(shop.sent("POST", "models/compare")).toEqual([{ file: { format: "not JSON" } }]);
  });
});
