/** What a job begins with: lamps added or replaced, a module, a kit, what feeds, a control. */
import { allOf, createJob, type Condition, type Job, type LightingCircuit } from "@dragonet/core";
import { DEMO_VEHICLES, FELLRUNNER, demoShelf } from "@dragonet/core/demo";
import { screen, waitFor, within } from "@testing-library/react";
import { jobWith } from "../../../packages/core/test/helpers.ts";
import { choose, closePages, open, rewrite, saved, type Opened } from "./page/open.tsx";
import { ANSA, Shop } from "./page/shop.ts";

afterEach(closePages);

const vehicle = (id: string) => DEMO_VEHICLES.find((v) => v.profileId === id) ?? FELLRUNNER;
const emptyJob = (id: string): Job => createJob("Tried", "", vehicle(id));

/** Each in a job of its own: what one leaves in the browser's store is no other's. */
const openBench = (job: Job): Promise<Opened> =>
  open(new Shop().withParts(...demoShelf()).withJob("j", job), "/jobs/j/circuit");

const pods = (on: Condition = allOf("high"), fields: Partial<LightingCircuit> = {}): Job =>
  jobWith("pod-18", 2, on, fields);

async function begin(user: Opened["user"], tab: string) {
  await user.click(await screen.findByRole("button", { name: "New circuit" }));
  const dialog = within(await screen.findByRole("dialog", { name: "New circuit" }));
  await user.click(dialog.getByRole("tab", { name: tab }));
  return dialog;
}

const closed = () => waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());

describe("what a job begins with", () => {
  it("an empty bench offers all four, and each opens with its own form", async () => {
    const { user } = await openBench(emptyJob("porter-48"));
    expect(await screen.findByText("Nothing is planned yet.")).toBeVisible();
    for (const tab of ["Replace a lamp", "Plug in a module", "Unbox a kit", "Add lamps"]) {
      await user.click(screen.getByRole("button", { name: tab }));
      const dialog = within(await screen.findByRole("dialog", { name: "New circuit" }));
      expect(dialog.getByRole("tab", { selected: true })).toHaveTextContent(tab);
      await user.keyboard("{Escape}");
      await closed();
    }
  });

  it("intake leads to the box of the kit; closed once it does not open again", async () => {
    const shop = new Shop().withParts(...demoShelf()).withJob("j", emptyJob("porter-48"));
    const { user } = await open(shop, "/jobs/j/intake");
    await user.click(await screen.findByRole("link", { name: "Unbox a kit" }));
    const dialog = within(await screen.findByRole("dialog", { name: "New circuit" }));
    expect(dialog.getByRole("tab", { selected: true })).toHaveTextContent("Unbox a kit");
    await user.keyboard("{Escape}");
    await closed();
    await user.click(screen.getByRole("link", { name: /Intake/ }));
    await user.click(await screen.findByRole("link", { name: /Circuit/ }));
    expect(await screen.findByText("No circuit yet")).toBeVisible();
    expect(screen.queryByRole("dialog")).toBeNull();
  });

  it("lamps are added, counted and named, and their circuit stands", async () => {
    const { user, shop } = await openBench(emptyJob("fellrunner-420"));
    expect(await screen.findByText("No circuit yet")).toBeVisible();
    const dialog = await begin(user, "Add lamps");
    await choose(
      user,
      dialog.getByRole("combobox", { name: "Part from the shelf" }),
      "18 W flood pod",
    );
    await rewrite(user, dialog.getByLabelText("How many"), "2");
    await choose(user, dialog.getByRole("combobox", { name: "Which end" }), "at the rear");
    const usual = within(dialog.getByRole("group", { name: "Lights when" }));
    expect(usual.getByRole("button", { pressed: true })).toHaveTextContent(
      "own switch with the key",
    );
    await user.click(dialog.getByText("Another condition"));
    const all = within(dialog.getByRole("group", { name: "All of" }));
    await user.click(all.getByRole("button", { name: "key on: not" }));
    await user.click(all.getByRole("button", { name: "reverse" }));
    expect(dialog.getByText("On with own switch and not key on and reverse.")).toBeVisible();
    // What is put together is none of the usual ones.
    expect(usual.queryByRole("button", { pressed: true })).toBeNull();
    await rewrite(user, dialog.getByLabelText("Name of the new circuit"), "Back light");
    await user.click(dialog.getByRole("button", { name: "Add circuit" }));
    await closed();
    const article = await screen.findByRole("article", { name: "Back light" });
    expect(within(article).getAllByRole("button", { name: /A fuse/ }).length).toBeGreaterThan(0);
    await saved();
    const [run] = shop.job("j").runs;
    expect(run?.condition.anyOf).toEqual([
      [
        { input: "switch", negated: false },
        { input: "key", negated: true },
        { input: "reverse", negated: false },
      ],
    ]);
    expect(shop.job("j").lamps.map((l) => l.place)).toEqual(["rear", "rear"]);
  });

  it("a kit is unboxed with its harnesses", async () => {
    const { user, shop } = await openBench(emptyJob("porter-48"));
    const dialog = await begin(user, "Unbox a kit");
    expect(await dialog.findByText(/7 circuits, 13 lights/)).toBeVisible();
    await user.click(dialog.getByRole("button", { name: "Unbox" }));
    await closed();
    expect(await screen.findByRole("article", { name: "Low beam" })).toHaveTextContent("made up");
    await saved();
    expect(shop.job("j").runs).toHaveLength(7);
    expect(shop.job("j").harnesses.length).toBeGreaterThan(0);
  });

  it("a lamp is replaced by its plug: what hung there goes", async () => {
    const { user, shop } = await openBench(emptyJob("petrel-650"));
    const dialog = await begin(user, "Replace a lamp");
    // Only what may be a lamp goes, and it sits where the plug of its wire does.
    await user.click(dialog.getByRole("combobox", { name: "What goes" }));
    expect(screen.getAllByRole("option", { name: "Headlight and tail" }).length).toBeGreaterThan(0);
    expect(screen.queryAllByRole("option", { name: /pump/ })).toEqual([]);
    await user.keyboard("{Escape}");
    expect(dialog.getByRole("combobox", { name: "Where it sits" })).toHaveTextContent("front");
    await choose(user, dialog.getByRole("combobox", { name: "Wire it hung on" }), /^left turn/);
    expect(dialog.getByRole("combobox", { name: "Where it sits" })).toHaveTextContent("rear");
    // By letters on the closed list, the spaces between words among them.
    const lamp = dialog.getByRole("combobox", { name: "Lamp that comes" });
    lamp.focus();
    await user.keyboard("led turn lamp w");
    expect(screen.queryByRole("listbox")).toBeNull();
    await waitFor(() => expect(lamp).toHaveTextContent("LED turn lamp with the factory's plug"));
    await user.click(dialog.getByRole("button", { name: "Replace" }));
    await closed();
    expect(await screen.findByRole("article", { name: /on left turn$/ })).toBeVisible();
    await saved();
    expect(shop.job("j").lamps).toHaveLength(1);
  });

  it("a module is plugged in between a lamp and its plug", async () => {
    const { user, shop } = await openBench(emptyJob("petrel-650"));
    const dialog = await begin(user, "Plug in a module");
    await choose(
      user,
      await dialog.findByRole("combobox", { name: "Wire that goes in" }),
      /^brake lamp/,
    );
    // What has no lamp in it is not offered, and where it sits is as such lamps do.
    const lamps = dialog.getByRole("combobox", { name: "Lamp behind it" });
    expect(lamps).toHaveTextContent("lamp on this wire, as such bulbs draw");
    expect(dialog.getByRole("combobox", { name: "Where that sits" })).toHaveTextContent("rear");
    await user.click(dialog.getByRole("button", { name: "Plug in" }));
    await closed();
    await saved();
    const { vehicle, lamps: made } = shop.job("j");
    expect(vehicle.baseLoads.at(-1)).toMatchObject({ name: "Factory brake lamp", town: 0 });
    expect(made).toMatchObject([{ place: "rear", replaces: vehicle.baseLoads.at(-1)!.id }]);
    expect(shop.job("j").runs).toHaveLength(1);
    expect(shop.job("j").parts.some((p) => p.kind === "box")).toBe(true);
  });

  it("says what to do where the shelf has no lamp", async () => {
    const shop = new Shop().withJob("j", emptyJob("fellrunner-420"));
    const { user } = await open(shop, "/jobs/j/circuit");
    const dialog = await begin(user, "Add lamps");
    expect(dialog.getByText(/The shelf is empty/)).toBeVisible();
  });

  it("a feed and a control are laid before anything hangs on them", async () => {
    const { user, shop } = await openBench(emptyJob("fellrunner-420"));
    await user.click(await screen.findByRole("button", { name: "New supply or switch" }));
    const dialog = within(await screen.findByRole("dialog", { name: /supply or switch/i }));
    const feed = within(dialog.getByRole("region", { name: "Feed" }));
    await choose(user, feed.getByRole("combobox", { name: "Part that feeds" }), /fuse block/i);
    await user.click(feed.getByRole("button", { name: /^Add/ }));
    await closed();
    await saved();
    expect(shop.job("j").supplies).toHaveLength(1);
  });

  it("a control of the kit is said whole: how it switches, its switch, poles, fuse and length", async () => {
    const { user, shop } = await openBench(emptyJob("fellrunner-420"));
    await user.click(await screen.findByRole("button", { name: "New supply or switch" }));
    const dialog = within(await screen.findByRole("dialog", { name: /supply or switch/i }));
    const part = within(dialog.getByRole("region", { name: "Control" }));
    await rewrite(user, part.getByLabelText("Name of the control"), "stalk");
    await user.click(part.getByRole("button", { name: "Add control" }));
    await closed();
    // It opens by itself: what was just laid is what one goes on with.
    await choose(user, await screen.findByLabelText("What it switches"), /ties to ground/);
    await user.click(screen.getByRole("checkbox", { name: "springs back" }));
    await rewrite(user, screen.getByLabelText("Poles in each position"), "2");
    const switches = screen.getByLabelText("Switch of the control");
    await user.click(switches);
    const options = within(await screen.findByRole("listbox")).getAllByRole("option");
    const chosen = options.at(-1)!;
    const named = chosen.textContent;
    await user.click(chosen);
    await saved();
    const [control] = shop.job("j").controls;
    expect(control).toMatchObject({
      ...{ name: "Stalk", switches: "ground", momentary: true, poles: 2 },
    });
    const adopted = shop.job("j").parts.find((p) => p.id === control!.switchPartId);
    expect(adopted?.name).toBe(named);
    // What ties to ground has no feed to fuse.
    expect(screen.queryByLabelText(/fuse of stalk/i)).toBeNull();
    await choose(user, screen.getByLabelText("What it switches"), "gives its feed on");
    await choose(user, screen.getByLabelText("Switch of the control"), "plain 10 A switch");
    await saved();
    expect(shop.job("j").controls[0]).toMatchObject({ switches: "positive", switchPartId: null });
  });

  it("is looked at only, by a viewer", async () => {
    const shop = new Shop().withParts(...demoShelf()).withJob("j", pods());
    shop.person = { ...ANSA, role: "viewer" };
    await open(shop, "/jobs/j/circuit");
    expect(await screen.findByRole("article", { name: "Test run" })).toBeVisible();
    expect(screen.queryByRole("button", { name: "New circuit" })).toBeNull();
    expect(screen.getByText("You may look, not change")).toBeVisible();
    expect(screen.queryByRole("button", { name: "Undo" })).toBeNull();
  });
});
