/** Vehicle profiles: what is known of a model, changed and kept as a whole. */
import { checkVehicle } from "@dragonet/contract";
import { VEHICLE_KINDS, createJob, type Vehicle, usualSystem } from "@dragonet/core";
import { FELLRUNNER, LAPWING } from "@dragonet/core/demo";
import { screen, waitFor, within } from "@testing-library/react";
import { newVehicle } from "../src/vehicles/begin/newVehicle.ts";
import { choose, closePages, open, rewrite } from "./page/open.tsx";
import { ANSA, Shop } from "./page/shop.ts";

afterEach(closePages);

/** A profile with little in it, so that its page is small. */
const BARE: Vehicle = { ...newVehicle(), model: "Something with wheels" };
const openProfile = (shop = new Shop().withVehicles(BARE)) =>
  open(shop, `/vehicles/${BARE.profileId}`);
const kept = (shop: Shop): Vehicle => shop.vehicles.get(BARE.profileId)!.value;

async function keep(user: Awaited<ReturnType<typeof openProfile>>["user"]) {
  await user.click(screen.getByRole("button", { name: "Save profile" }));
  expect(await screen.findByText("Saved")).toBeVisible();
}

describe("a profile's page", () => {
  it("takes a note of two lines by Enter as one line, and puts it back by Escape", async () => {
    const { user, shop } = await openProfile();
    const note = await screen.findByLabelText("Note");
    expect(note.tagName).toBe("TEXTAREA");
    await user.clear(note);
    await user.type(note, "Winch eats the budget{Enter}");
    expect(note).toHaveValue("Winch eats the budget");
    await user.type(note, " and more{Escape}");
    expect(note).toHaveValue("Winch eats the budget");
    await keep(user);
    expect(kept(shop).note).toBe("Winch eats the budget");
  });

  it("tells the jobs on it, with the machine where it has a name", async () => {
    const named = createJob("Bar", "", { ...BARE, machine: "the red one" });
    const shop = new Shop().withVehicles(BARE).withJob("a", createJob("Pods", "", BARE));
    await openProfile(shop.withJob("b", named));
    const line = async (title: string) =>
      (await screen.findByRole("link", { name: title })).closest("li")!;
    expect((await line("Pods")).textContent).toBe("Pods intake");
    expect((await line("Bar")).textContent).toBe("Bar the red one, intake");
  });
});

describe("a new profile", () => {
  it("begins as the contract wants it, whatever its electrics", () => {
    for (const kind of ["engine", "pack", "packAndBattery"] as const) {
      const vehicle = { ...newVehicle(), system: usualSystem("quad", kind) };
      expect(checkVehicle(vehicle)).toEqual({ ok: true, value: vehicle });
    }
  });

  it("is made by a press and opened", async () => {
    const shop = new Shop();
    const { user, path } = await open(shop, "/vehicles");
    expect(await screen.findByText("No vehicle profile yet")).toBeVisible();
    await user.click(screen.getByRole("button", { name: "New profile" }));
    const kinds = within(await screen.findByRole("dialog", { name: "New profile" }));
    expect(kinds.getAllByRole("listitem")).toHaveLength(VEHICLE_KINDS.length);
    await user.click(kinds.getByRole("button", { name: "utility cart" }));
    await waitFor(() => expect(path()).toMatch(/^\/vehicles\/.+/));
    expect([...shop.vehicles.values()].map(({ value }) => value)).toMatchObject([
      { kind: "utilityCart", system: { kind: "pack" } },
    ]);
  });
});

describe("profiles", () => {
  it("are listed with their electrics, and come in from a file", async () => {
    const shop = new Shop()
      .withVehicles(FELLRUNNER, LAPWING)
      .answers("POST vehicles/import", () => ({ status: 200, body: { added: 1, changed: 1 } }));
    const { user } = await open(shop, "/vehicles");
    expect(await screen.findByText(LAPWING.model)).toBeVisible();
    const file = new File(["x"], "v.csv", { type: "text/csv" });
    await user.upload(screen.getByLabelText("CSV in"), file);
    expect(await screen.findByText("1 profiles added, 1 changed")).toBeVisible();
  });

  it("from a broken file are told line by line", async () => {
    const shop = new Shop().withVehicles(FELLRUNNER).answers("POST vehicles/import", () => ({
      status: 422,
      body: { message: "Not taken.", faults: [{ path: "line 2, model", message: "missing" }] },
    }));
    const { user } = await open(shop, "/vehicles");
    const file = new File(["x"], "v.csv", { type: "text/csv" });
    await user.upload(await screen.findByLabelText("CSV in"), file);
    expect(await screen.findByText("line 2, model")).toBeVisible();
  });
});

describe("a profile", () => {
  it("is kept as a whole, when it is saved and not before", async () => {
    const { user, shop } = await openProfile();
    expect(await screen.findByRole("button", { name: "Save profile" })).toBeDisabled();
    await rewrite(user, screen.getByLabelText("Model"), "Something, long");
    await choose(user, screen.getByRole("combobox", { name: "Kind of vehicle" }), "golf cart");
    expect(screen.getByText("Changed, not saved")).toBeVisible();
    expect(kept(shop).model).toBe(BARE.model);
    await keep(user);
    expect(kept(shop)).toMatchObject({ model: "Something, long", kind: "cart" });
    expect(screen.getByText("Saved")).toBeVisible();
  });

  it("takes other electrics, with the fields that those have", async () => {
    const { user, shop } = await openProfile();
    const electrics = await screen.findByRole("combobox", { name: "Electrical system" });
    await choose(user, electrics, "traction pack");
    expect(screen.getByRole("heading", { name: "Traction pack" })).toBeVisible();
    await keep(user);
    expect(kept(shop).system.kind).toBe("pack");
  });

  it("widens a fact's bounds about its value, and says how it is known", async () => {
    const { user, shop } = await openProfile();
    await rewrite(user, await screen.findByLabelText("Capacity, Ah"), "13");
    await rewrite(user, screen.getByLabelText("Capacity, lower bound"), "11");
    await choose(
      user,
      screen.getByRole("combobox", { name: "Capacity: how it is known" }),
      "measured",
    );
    await keep(user);
    const { system } = kept(shop);
    expect(system.kind !== "pack" && system.battery.capacityAh).toMatchObject({
      value: 13,
      provenance: "measured",
    });
  });

  it("refuses a number in words and keeps the old one", async () => {
    const { user } = await openProfile();
    const capacity = await screen.findByLabelText("Capacity, Ah");
    const before = (capacity as HTMLInputElement).value;
    await rewrite(user, capacity, "lots");
    expect(screen.getByRole("alert")).toHaveTextContent("“lots” is not valid");
    await user.type(capacity, "{Escape}");
    expect(capacity).toHaveValue(before);
    expect(screen.queryByRole("alert")).toBeNull();
  });

  it("learns a wire, whose colour must be one", async () => {
    const { user, shop } = await openProfile();
    await user.click(await screen.findByRole("button", { name: "Connector" }));
    await user.click(screen.getAllByRole("button", { name: "Wire" }).at(-1)!);
    const table = within(screen.getByRole("region", { name: "Wires of New connector" }));
    await rewrite(user, table.getByLabelText("Carries"), "pannier feed");
    await rewrite(user, table.getByLabelText("pannier feed: colour"), "mauve");
    expect(screen.getByRole("alert")).toHaveTextContent("“mauve” is no colour");
    await rewrite(user, table.getByLabelText("pannier feed: colour"), "violet/white");
    await choose(user, table.getByRole("combobox", { name: "pannier feed: live when" }), "key");
    await choose(user, table.getByRole("combobox", { name: "pannier feed: how surely" }), "proved");
    await rewrite(user, table.getByLabelText("pannier feed: factory fuse, A"), "10");
    await rewrite(
      user,
      screen.getByLabelText("Cavities of New connector, 0 for as many as are known"),
      "3",
    );
    const face = () => screen.getByRole("img", { name: /^New connector, looked at onto/ });
    expect(face()).toHaveAccessibleName(
      "New connector, looked at onto its wires, left to right: 3: empty; 2: empty; 1: violet/white, pannier feed",
    );
    await user.click(
      screen.getByRole("button", { name: "Look at New connector from the other side" }),
    );
    expect(face()).toHaveAccessibleName(
      "New connector, looked at onto its open face, left to right: 1: violet/white, pannier feed; 2: empty; 3: empty",
    );
    await keep(user);
    expect(kept(shop).connectors.at(-1)).toMatchObject({ cavities: 3, rows: 0 });
    expect(kept(shop).pins.at(-1)).toMatchObject({
      ...{ carries: "pannier feed", colour: "violet/white", liveWhen: "key" },
      ...{ certainty: "proved", fuseA: 10 },
    });
  });

  it("has a trailer socket with its standard's contacts, all still to be proved", async () => {
    const { user, shop } = await openProfile();
    await user.click(await screen.findByRole("button", { name: "Trailer socket" }));
    await keep(user);
    const added = kept(shop).pins.slice(BARE.pins.length);
    // ISO 1724 numbers its contacts 1 to 7.
    expect(added).toHaveLength(7);
    expect(new Set(added.map((p) => p.certainty))).toEqual(new Set(["guess"]));
  });

  it("has variants, of which one is this vehicle; one that goes leaves none told", async () => {
    const { user, shop } = await openProfile();
    await user.click(await screen.findByRole("button", { name: "Variant" }));
    await rewrite(user, screen.getByLabelText("Name of the variant"), "with audio");
    await choose(
      user,
      screen.getByRole("combobox", { name: "Variant of this vehicle" }),
      "with audio",
    );
    await keep(user);
    expect(kept(shop).variant).toBe(kept(shop).variants[0]?.id);
    await user.click(screen.getByRole("button", { name: "Remove with audio" }));
    await keep(user);
    expect(kept(shop)).toMatchObject({ variant: "", variants: [] });
  });

  it("lists what draws already, and what it left the factory with", async () => {
    const { user, shop } = await openProfile();
    await user.click(await screen.findByRole("button", { name: "Load" }));
    const [name] = screen.getAllByLabelText("Load").slice(-1);
    await rewrite(user, name!, "Radio");
    await rewrite(user, screen.getByLabelText("Radio, A"), "0.8");
    await rewrite(user, screen.getByLabelText("Radio: share of time on, town, %"), "7");
    await rewrite(user, screen.getByLabelText("Radio: share of time on, idle, %"), "200");
    expect(screen.getByLabelText("Radio: share of time on, idle, %")).toBeInvalid();
    await choose(user, screen.getByRole("combobox", { name: "Radio: what it is" }), "radio");
    await keep(user);
    expect(kept(shop).baseLoads.at(-1)).toMatchObject({
      ...{ name: "Radio", kind: "radio", at: "", town: 0.07, idle: 1 },
    });
  });

  it("opens its route map when it is asked for", async () => {
    const { user } = await openProfile();
    await user.click(await screen.findByText(/^Route map: 0 places/));
    expect(screen.getByText("Close the route map")).toHaveAttribute("aria-expanded", "true");
  });

  it("changed by somebody else is told, and nothing of either is lost", async () => {
    const { user, shop } = await openProfile();
    await rewrite(user, await screen.findByLabelText("Model"), "Mine");
    shop.vehicles.set(BARE.profileId, {
      value: { ...BARE, model: "Theirs" },
      revision: 2,
    });
    await user.click(screen.getByRole("button", { name: "Save profile" }));
    expect(await screen.findByText("changed by somebody else")).toBeVisible();
    expect(kept(shop).model).toBe("Theirs");
    expect(screen.getByLabelText("Model")).toHaveValue("Mine");
  });

  it("is looked at only, by a viewer", async () => {
    const shop = new Shop().withVehicles(BARE);
    shop.person = { ...ANSA, role: "viewer" };
    await openProfile(shop);
    expect(await screen.findByLabelText("Model")).toBeDisabled();
    expect(screen.queryByRole("button", { name: "Save profile" })).toBeNull();
  });
});
