/** The shelf: every kind of part by its form, and two people at one part. */
import { PART_KINDS, type LoadPart, type Part } from "@dragonet/core";
import { checkPart } from "@dragonet/contract";
import { demoPart } from "@dragonet/core/demo";
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { newPart } from "../src/shelf/newPart.ts";
import { choose, closePages, open, rewrite, type Opened } from "./page/open.tsx";
import { ANSA, Shop } from "./page/shop.ts";

afterEach(closePages);

const dialog = () => within(screen.getByRole("dialog"));
const save = (user: Opened["user"]) => user.click(dialog().getByRole("button", { name: /^Save/ }));
const closed = () => waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());

/** The part that was sent last. */
const sent = (shop: Shop): Part =>
  (shop.asked.filter((a) => a.method === "PUT").at(-1)?.body as { value: Part }).value;

async function newPartDialog(shop: Shop): Promise<Opened> {
  const page = await open(shop, "/shelf");
  await page.user.click(await screen.findByRole("button", { name: "New part" }));
  await screen.findByRole("dialog", { name: "New part" });
  return page;
}

async function openPart(user: Opened["user"], name: string): Promise<void> {
  await user.click(await screen.findByRole("button", { name }));
  await screen.findByRole("dialog");
}

describe("a new part", () => {
  it.each(PART_KINDS.map((kind) => [kind]))("a %s begins as the contract wants it", (kind) => {
    const part = { ...newPart(kind), name: "Something" };
    expect(checkPart(part)).toEqual({ ok: true, value: part });
  });

  it("an adapter has a colour at either end of each of its wires, and takes none that is none", async () => {
    const shop = new Shop();
    const { user } = await newPartDialog(shop);
    const { getByLabelText: field, getByRole } = dialog();
    await choose(user, getByRole("combobox", { name: "Kind of part" }), "plug");
    await rewrite(user, field("Part name"), "Turn lamp adapter");
    const wire = getByRole("button", { name: "Wire" });
    await user.click(wire);
    await user.click(wire);
    await rewrite(user, field("Wire 1 at the factory’s plug"), "orange");
    await rewrite(user, field("Wire 1 at the lamp’s plug"), "yellow");
    await rewrite(user, field("Wire 2 at the factory’s plug"), "dusk");
    expect(field("Wire 2 at the factory’s plug")).toBeInvalid();
    await rewrite(user, field("Wire 2 at the factory’s plug"), "black");
    await save(user);
    await closed();
    expect(sent(shop)).toMatchObject({
      kind: "connector",
      leads: [
        { factory: "orange", lamp: "yellow" },
        { factory: "black", lamp: "" },
      ],
    });
  });

  it("a lamp is written down field by field and kept as it was written", async () => {
    const shop = new Shop();
    const { user } = await newPartDialog(shop);
    const { getByLabelText: field, getByRole } = dialog();
    await rewrite(user, field("Part name"), "Pod, 22 W");
    await rewrite(user, field("Power, W"), "22");
    await rewrite(user, field("Power, upper bound"), "25");
    await rewrite(user, field("Works to, V"), "30");
    await choose(user, getByRole("combobox", { name: "Second light" }), "in the same housing");
    await choose(user, getByRole("combobox", { name: "Body grounded" }), /^yes/);
    await choose(user, getByRole("combobox", { name: "Pigtail" }), "18 AWG");
    await rewrite(user, field("Ingress rating"), "IP67");
    await rewrite(user, field("Price"), "31.5");
    await rewrite(user, field("In stock"), "4");
    await save(user);
    await closed();
    const part = sent(shop) as LoadPart;
    expect(part).toMatchObject({
      ...{ name: "Pod, 22 W", caseGround: true, pigtail: "18 AWG", ingress: "IP67" },
      ...{ price: 31.5, stock: 4 },
      load: { kind: "drivenLed", maxV: 30, powerW: { value: 22, high: 25 } },
    });
    // A dim light begins as a fifth of the main one.
    expect(part.dim).toMatchObject({ powerW: { value: 4.4 } });
    expect(await screen.findByRole("button", { name: "Pod, 22 W" })).toBeVisible();
  });

  it.each([
    ["filament bulb", { kind: "filament", ratedV: 12 }],
    ["heater or LED tape: a resistor", { kind: "resistive", ratedV: 12 }],
    ["horn or indicator: constant current", { kind: "constantCurrent" }],
    ["LED tape by the metre", { kind: "ledStrip", groupM: 0.05 }],
  ])("behaves as a %s when it is said so", async (words, load) => {
    const shop = new Shop();
    const { user } = await newPartDialog(shop);
    await rewrite(user, dialog().getByLabelText("Part name"), "Thing");
    await choose(user, dialog().getByRole("combobox", { name: "Behaves as" }), words);
    await save(user);
    await closed();
    expect(sent(shop)).toMatchObject({ load });
  });

  it.each([
    ["relay", "Contact rating, A", "40", { contactA: 40 }],
    ["switch", "Switch rating, A", "16", { contactA: 16 }],
    ["plug", "Carries, A", "12", { ratingA: 12 }],
    ["flasher", "Needs at least, A", "1.5", { leastA: 1.5 }],
    ["battery", "Hour rate, h", "10", { hourRate: 10 }],
  ])("a %s has the fields of its kind", async (kind, label, text, expected) => {
    const shop = new Shop();
    const { user } = await newPartDialog(shop);
    await rewrite(user, dialog().getByLabelText("Part name"), "Thing");
    await choose(user, dialog().getByRole("combobox", { name: "Kind of part" }), kind);
    expect(dialog().getByLabelText("Part name")).toHaveValue("Thing");
    await rewrite(user, dialog().getByLabelText(label), text);
    await save(user);
    await closed();
    expect(sent(shop)).toMatchObject(expected);
  });

  it("a switch asks for a tell-tale's draw only where it has one", async () => {
    const shop = new Shop();
    const { user } = await newPartDialog(shop);
    await choose(user, dialog().getByRole("combobox", { name: "Kind of part" }), "switch");
    expect(dialog().queryByLabelText("Tell-tale draws, A")).toBeNull();
    await choose(user, dialog().getByRole("combobox", { name: "Tell-tale" }), /^always/);
    expect(dialog().getByLabelText("Tell-tale draws, A")).toBeVisible();
  });

  it("a box has a rating a channel, kept only where they differ", async () => {
    const shop = new Shop();
    const { user } = await newPartDialog(shop);
    await rewrite(user, dialog().getByLabelText("Part name"), "Block");
    await choose(user, dialog().getByRole("combobox", { name: "Kind of part" }), /^fuse block/);
    await rewrite(user, dialog().getByLabelText("Channel 2 carries, A"), "20");
    await rewrite(user, dialog().getByLabelText("Channel 2 carries, A"), "15");
    await save(user);
    await closed();
    expect(sent(shop)).toMatchObject({ wayRatings: [] });
  });

  it("further lights and what its channels do are added and taken away", async () => {
    const shop = new Shop();
    const { user } = await newPartDialog(shop);
    await rewrite(user, dialog().getByLabelText("Part name"), "Tail lamp");
    await user.click(dialog().getByRole("button", { name: "A further light" }));
    await rewrite(user, dialog().getByLabelText("Light 1: name"), "brake");
    await choose(user, dialog().getByRole("combobox", { name: "Light 1: colour" }), "red");
    await user.click(dialog().getByRole("button", { name: "A further light" }));
    await user.click(dialog().getByRole("button", { name: "Remove light light 2" }));
    await user.click(dialog().getByRole("button", { name: "What channel 1 does" }));
    await rewrite(user, dialog().getByLabelText("Channel 1: flash lit, s"), "0.25");
    await rewrite(user, dialog().getByLabelText("Channel 1: level, %"), "30");
    expect(dialog().getByLabelText("Channel 1: trips at, A")).toHaveDisplayValue("");
    expect(dialog().getByLabelText("Channel 1: trips at, A")).toHaveAttribute(
      "placeholder",
      "never",
    );
    await user.click(dialog().getByRole("checkbox", { name: "flashes without end" }));
    expect(dialog().queryByLabelText("Channel 1: flashes first")).toBeNull();
    await user.click(dialog().getByRole("checkbox", { name: "press on, press off" }));
    const off = within(dialog().getByRole("group", { name: "Channel 1: off with" }));
    await user.click(off.getByRole("button", { name: "left turn" }));
    expect(off.getByRole("button", { name: "left turn" })).toHaveAttribute("aria-pressed", "true");
    await save(user);
    await closed();
    expect(sent(shop)).toMatchObject({
      lights: [{ name: "brake", light: "red" }],
      behaviour: { onS: 0.25, level: 0.3, flashes: -1, tripA: 0, latch: true, offWith: ["left"] },
    });
    expect((sent(shop) as LoadPart).lights).toHaveLength(1);
  });

  it("a kit's box is listed", async () => {
    const shop = new Shop();
    const { user } = await newPartDialog(shop);
    await rewrite(user, dialog().getByLabelText("Part name"), "Kit");
    await choose(user, dialog().getByRole("combobox", { name: "Kind of part" }), "kit");
    await user.click(dialog().getByRole("button", { name: "Item in the box" }));
    await rewrite(user, dialog().getByLabelText("Kit item 1"), "Tie wraps");
    await rewrite(user, dialog().getByLabelText("Pieces of Tie wraps"), "20");
    await save(user);
    await closed();
    expect(sent(shop)).toMatchObject({ items: [{ name: "Tie wraps", count: 20 }] });
  });

  it("is refused in words where a value cannot be, and nothing is lost", async () => {
    const shop = new Shop();
    const { user } = await newPartDialog(shop);
    await rewrite(user, dialog().getByLabelText("Ingress rating"), "wet");
    expect(dialog().getByText("such as IP67 or IPX4, or empty")).toBeVisible();
    await rewrite(user, dialog().getByLabelText("Power, W"), "bright");
    expect(dialog().getByText("“bright” is not valid: needs 0 to 1000000")).toBeVisible();
    // Without a name there is nothing to keep.
    expect(dialog().getByRole("button", { name: "Save part" })).toBeDisabled();
    await rewrite(user, dialog().getByLabelText("Part name"), "Thing");
    await save(user);
    await closed();
    expect(sent(shop)).toMatchObject({ ingress: "", load: { powerW: { value: 20 } } });
  });

  it("takes back what is typed by Escape", async () => {
    const { user } = await newPartDialog(new Shop());
    const power = dialog().getByLabelText("Power, W");
    await user.clear(power);
    await user.type(power, "99{Escape}");
    expect(power).toHaveValue("20");
    expect(screen.getByRole("dialog")).toBeVisible();
  });
});

describe("a part that is there", () => {
  const pod = demoPart("pod-18");

  it("changed by somebody else meanwhile is shown as it is now", async () => {
    const theirs = { value: { ...pod, note: "theirs" }, revision: 7 };
    const shop = new Shop().withParts(pod).answers(`PUT parts/${pod.id}`, () => ({
      status: 409,
      body: { message: "Somebody changed it.", current: theirs },
    }));
    const { user } = await open(shop, "/shelf");
    await openPart(user, pod.name);
    await rewrite(user, dialog().getByLabelText("Note"), "mine");
    await save(user);
    expect(await dialog().findByText("Somebody changed it.")).toBeVisible();
    await user.click(dialog().getByRole("button", { name: "Show it as it stands now" }));
    expect(dialog().getByLabelText("Note")).toHaveValue("theirs");
  });

  it("is taken off", async () => {
    const shop = new Shop().withParts(pod);
    shop.answers(`DELETE parts/${pod.id}`, () => {
      shop.parts.clear();
      return { status: 200, body: {} };
    });
    const { user } = await open(shop, "/shelf");
    await openPart(user, pod.name);
    await user.click(dialog().getByRole("button", { name: "Take off the shelf" }));
    await closed();
    expect(await screen.findByText("The shelf is empty")).toBeVisible();
  });

  it("is looked at, not changed, by a viewer", async () => {
    const shop = new Shop().withParts(pod);
    shop.person = { ...ANSA, role: "viewer" };
    const { user } = await open(shop, "/shelf");
    await openPart(user, pod.name);
    expect(dialog().getByLabelText("Part name")).toBeDisabled();
    expect(dialog().queryByRole("button", { name: /^Save/ })).toBeNull();
    expect(screen.queryByRole("button", { name: "New part" })).toBeNull();
  });

  it("says what jobs have reserved, and what is short", async () => {
    const shop = new Shop().withParts({ ...pod, stock: 1 });
    shop.answers("GET shelf/needs", () => ({
      status: 200,
      body: { orders: [], taken: [{ name: pod.name.toLowerCase(), count: 3 }] },
    }));
    await open(shop, "/shelf");
    expect(await screen.findByText(/^2 short$/)).toBeVisible();
  });

  it("is ordered when fewer are there than the shop keeps, and what arrives is added", async () => {
    const shop = new Shop().withParts({ ...pod, stock: 2, price: 30 });
    const { user } = await open(shop, "/shelf");
    await openPart(user, pod.name);
    expect(screen.queryByRole("list", { name: "To order" })).toBeNull();
    await rewrite(user, dialog().getByLabelText("Order when fewer than"), "6");
    await user.click(dialog().getByRole("button", { name: "Save part" }));
    const orders = within(await screen.findByRole("list", { name: "To order" }));
    expect(orders.getByText(/0 wanted, 2 on the shelf, 6 to keep/)).toBeVisible();
    expect(orders.getByText("120.00")).toBeVisible();
    await user.click(orders.getByRole("button", { name: `Arrived: ${pod.name}` }));
    await waitFor(() => expect(screen.queryByRole("list", { name: "To order" })).toBeNull());
    expect(shop.sent("POST", `shelf/${pod.id}/arrived`)).toEqual([{ count: 4 }]);
    expect(shop.parts.get(pod.id)?.value).toMatchObject({ stock: 6, least: 6 });
    // Nothing to keep is said by none.
    await openPart(user, pod.name);
    await rewrite(user, dialog().getByLabelText("Order when fewer than"), "0");
    await user.click(dialog().getByRole("button", { name: "Save part" }));
    await waitFor(() => expect(shop.parts.get(pod.id)?.value).not.toHaveProperty("least"));
  });
});

describe("what arrives", () => {
  const pod = demoPart("pod-18");
  it("is told to jobs that wait for it, and those that are ticked go on", async () => {
    const waiting = [
      { id: "a", title: "Bar", text: "18 W flood pod, due Friday" },
      { id: "b", title: "Pods", text: "two of 18 W flood pod" },
    ];
    let away = true;
    const shop = new Shop()
      .withParts({ ...pod, stock: 2, least: 6 })
      .answers(`GET shelf/${pod.id}/waiting`, () => ({ status: 200, body: waiting }))
      .answers(`POST shelf/${pod.id}/free`, () =>
        away
          ? { status: 503, body: { message: "the database is away" } }
          : { status: 200, body: { freed: 1 } },
      );
    const { user } = await open(shop, "/shelf");
    await user.click(await screen.findByRole("button", { name: `Arrived: ${pod.name}` }));
    const free = within(await screen.findByRole("dialog", { name: `${pod.name} has come in` }));
    expect(free.getByText("two of 18 W flood pod")).toBeVisible();
    await user.click(free.getByRole("checkbox", { name: "Bar" }));
    await user.click(free.getByRole("button", { name: "Go on with 1 job" }));
    expect(await free.findByText(/the database is away/)).toBeVisible();
    away = false;
    await user.click(free.getByRole("button", { name: "Go on with 1 job" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(shop.sent("POST", `shelf/${pod.id}/free`).at(-1)).toEqual({ jobs: ["b"] });
    expect(await screen.findByText("1 job no longer waits for it")).toBeVisible();
  });
});

describe("what a lamp sends where", () => {
  it("is fitted from five readings and forgotten again", async () => {
    const shop = new Shop().withParts(demoPart("pod-18"));
    const { user } = await open(shop, "/shelf");
    await openPart(user, demoPart("pod-18").name);
    const beam = within(dialog().getByRole("region", { name: "Beam" }));
    const forget = beam.queryByRole("button", { name: "Forget it" });
    if (forget) await user.click(forget);
    expect(beam.getByText(/Nobody has measured it/)).toBeVisible();
    fireEvent.click(beam.getByText(/Five readings of a lux meter/));
    await user.click(beam.getByRole("button", { name: "Take as its beam" }));
    expect(await beam.findByRole("alert")).toHaveTextContent(/Brightest place/);
    await rewrite(user, beam.getByLabelText(/^Brightest place/), "40");
    for (const side of ["Left of it", "Right of it", "Above it", "Below it"])
      await rewrite(user, beam.getByLabelText(new RegExp(`^${side}`)), "20");
    await user.click(beam.getByRole("button", { name: "Take as its beam" }));
    // 40 lx at 5 m: by the inverse square, 1000 cd.
    expect(await beam.findByText(/an estimate from five readings.*1000 cd at most/)).toBeVisible();
  });

  it("is read from a file, and a broken one is told by its line", async () => {
    const shop = new Shop().withParts(demoPart("pod-18"));
    const { user } = await open(shop, "/shelf");
    await openPart(user, demoPart("pod-18").name);
    const beam = within(dialog().getByRole("region", { name: "Beam" }));
    const file = new File(["IESNA:LM-63-2002\nnothing more"], "x.ies", { type: "text/plain" });
    await user.upload(beam.getByLabelText("File in"), file);
    expect(await beam.findByRole("alert")).toHaveTextContent(
      /^x\.ies, line \d+: .*Nothing was taken/,
    );
  });
});
