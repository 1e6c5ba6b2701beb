/** The bench: what is changed of a job, and what follows at once. */
import { allOf, type Condition, type Job, type LightingCircuit } from "@dragonet/core";
import { demoPart, demoShelf } from "@dragonet/core/demo";
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { jobWith, switchPart } from "../../../packages/core/test/helpers.ts";
import { choose, closePages, open, rewrite, saved, type Opened } from "./page/open.tsx";
import { Shop, demoWhere } from "./page/shop.ts";

afterEach(closePages);

/** Each in a job of its own: what one leaves in the browser's store is no other's. */
const openBench = (job: Job): Promise<Opened> =>
  open(new Shop().withParts(...demoShelf()).withJob("j", job), "/jobs/j/circuit");

const pods = (on: Condition = allOf("high"), fields: Partial<LightingCircuit> = {}): Job =>
  jobWith("pod-18", 2, on, fields);

const findings = () => screen.getByRole("region", { name: "Findings" });

describe("what is on", () => {
  const lit = (name: RegExp | string) => screen.getByRole("img", { name });

  it("follows the controls, by press and by key", async () => {
    const { user } = await openBench(pods());
    await screen.findByRole("img", { name: /^front:.*18 W flood pod 1 100 %/ });
    await user.click(screen.getByRole("button", { name: "all off" }));
    await waitFor(() => expect(lit(/^front:/)).toHaveAccessibleName(/18 W flood pod 1 dark/));
    fireEvent.keyDown(window, { key: "h" });
    await waitFor(() => expect(lit(/^front:/)).toHaveAccessibleName(/18 W flood pod 1 100 %/));
    const bar = within(screen.getByRole("group", { name: "Controls" }));
    expect(bar.getByRole("button", { name: /^high beam/ })).toHaveAttribute("aria-pressed", "true");
    await user.click(bar.getByRole("button", { name: /^high beam/ }));
    await waitFor(() => expect(lit(/^front:/)).toHaveAccessibleName(/dark/));
  });

  it("hangs on how full the battery is, until the engine runs", async () => {
    const { user } = await openBench(pods());
    await screen.findByRole("article", { name: "Test run" });
    const volts = (): number =>
      Number(/18 W flood pod 1\s*([\d.]+) V/.exec(document.body.textContent)?.[1]);
    await waitFor(() => expect(volts()).toBeGreaterThan(12));
    const full = volts();
    const charge = screen.getByRole("combobox", { name: "How full battery and pack are" });
    await choose(user, charge, "half full");
    // 12.7 V full and 12.2 V half way (handbook), less a little more for the pods' watts.
    await waitFor(() => expect(full - volts()).toBeCloseTo(0.5, 1));
    fireEvent.keyDown(window, { key: "e" });
    await waitFor(() => expect(volts()).toBeGreaterThan(13));
    expect(screen.queryByRole("combobox", { name: "How full battery and pack are" })).toBeNull();
    await user.click(screen.getByRole("button", { name: "all on" }));
    expect(
      await screen.findByRole("combobox", { name: "How full battery and pack are" }),
    ).toHaveTextContent("half full");
  });

  it("is not turned by a key that is typed in a field or with another key", async () => {
    const { user } = await openBench(pods());
    const article = await screen.findByRole("article", { name: "Test run" });
    fireEvent.keyDown(window, { key: "h", ctrlKey: true });
    await user.click(within(article).getByRole("button", { name: "Test run" }));
    fireEvent.keyDown(screen.getByLabelText("Name of the circuit"), { key: "h" });
    expect(lit(/^front:/)).toHaveAccessibleName(/18 W flood pod 1 100 %/);
  });
});

describe("a run", () => {
  async function panelOf(job: Job) {
    const page = await openBench(job);
    const article = await screen.findByRole("article", { name: "Test run" });
    await page.user.click(within(article).getByRole("button", { name: "Test run" }));
    const panel = within(screen.getByRole("region", { name: "Circuit Test run" }));
    return { ...page, panel };
  }

  it("is renamed, given lamps and relieved of them, and all is undone", async () => {
    const { user, shop, panel } = await panelOf(pods());
    await rewrite(user, panel.getByLabelText("Name of the circuit"), "Night light");
    await choose(user, screen.getByRole("combobox", { name: "Part to add" }), "40 W light bar");
    await user.click(screen.getByRole("button", { name: /^Add/ }));
    await saved();
    expect(shop.job("j").lamps).toHaveLength(3);
    await user.click(screen.getAllByRole("button", { name: /^Remove 18 W flood pod/ })[0]!);
    await saved();
    expect(shop.job("j").lamps).toHaveLength(2);
    for (let i = 0; i < 3; i += 1) await user.click(screen.getByRole("button", { name: "Undo" }));
    await saved();
    expect(shop.job("j").runs[0]?.name).toBe("Test run");
    expect(shop.job("j").lamps).toHaveLength(2);
    expect(screen.getByRole("button", { name: "Undo" })).toBeDisabled();
    fireEvent.keyDown(window, { key: "y", ctrlKey: true });
    expect(await screen.findByRole("article", { name: "Night light" })).toBeVisible();
    fireEvent.keyDown(window, { key: "z", ctrlKey: true });
    expect(await screen.findByRole("article", { name: "Test run" })).toBeVisible();
  });

  it("is on with one of several, the second taken away again", async () => {
    const { user, shop, panel } = await panelOf(pods());
    await user.click(panel.getByText("Another condition"));
    await user.click(panel.getByRole("button", { name: "or" }));
    const second = within(panel.getByRole("group", { name: "or all of" }));
    await user.click(second.getByRole("button", { name: "reverse" }));
    await saved();
    expect(shop.job("j").runs[0]?.condition.anyOf).toHaveLength(2);
    expect(panel.getByText(/^On with high beam, or key on and reverse/)).toBeVisible();
    await user.click(panel.getByRole("button", { name: "Remove “or” 1" }));
    await saved();
    expect(shop.job("j").runs[0]?.condition.anyOf).toHaveLength(1);
  });

  it("waits for a usual thing in one press, and for none by taking it away", async () => {
    const { user, shop, panel } = await panelOf(pods());
    const usual = within(panel.getByRole("group", { name: "Lights when" }));
    await user.click(usual.getByRole("button", { name: "brake" }));
    await saved();
    expect(shop.job("j").runs[0]?.condition).toEqual(allOf("brake"));
    await user.click(panel.getByText("Another condition"));
    const all = within(panel.getByRole("group", { name: "All of" }));
    // A second press takes a signal away: off is asked for by "not" alone.
    await user.click(all.getByRole("button", { name: "brake" }));
    await saved();
    expect(shop.job("j").runs[0]?.condition).toEqual(allOf());
    expect(usual.getByRole("button", { name: "always on", pressed: true })).toBeVisible();
  });

  it("cannot wait for its own switch to be off", async () => {
    const { user, panel } = await panelOf(pods(allOf("switch")));
    await user.click(panel.getByText("Another condition"));
    const all = within(panel.getByRole("group", { name: "All of" }));
    expect(all.getByRole("button", { name: "own switch", pressed: true })).toBeVisible();
    expect(all.queryByRole("button", { name: "own switch: not" })).toBeNull();
    await user.click(all.getByRole("button", { name: "key on" }));
    expect(all.getByRole("button", { name: "key on: not", pressed: false })).toBeVisible();
  });

  it("has wires whose colour and size are said one by one, colours that are some", async () => {
    const { user, shop, panel } = await panelOf(pods());
    await user.click(panel.getByRole("button", { name: /^Wires one by one/ }));
    const colour = panel.getAllByLabelText(/^Colour of 1\./)[0]!;
    await rewrite(user, colour, "mauve");
    expect(panel.getByText(/“mauve” is no colour/)).toBeVisible();
    await rewrite(user, colour, "pink");
    await saved();
    expect(shop.job("j").wireChoices.map((c) => c.colour)).toEqual(["pink"]);
  });

  it("is wired wrong on purpose: found, named, and put right in one press", async () => {
    const { user, shop, panel } = await panelOf(pods());
    await user.click(panel.getByRole("button", { name: /^Wired wrong/ }));
    expect(panel.getByText("It takes a second circuit to be wired across.")).toBeVisible();
    const kind = panel.getByRole("combobox", { name: "How it is wired" });
    await choose(user, kind, "a wire left out");
    await user.click(panel.getAllByRole("button", { name: "Add" }).at(-1)!);
    await saved();
    expect(shop.job("j").deviations).toHaveLength(1);
    await user.click(panel.getByRole("button", { name: "Wire it as planned" }));
    await saved();
    expect(shop.job("j").deviations).toHaveLength(0);
  });
});

describe("what is found", () => {
  it("a fuse above its wire is told with its source, and the practice chooses again", async () => {
    const { user, shop } = await openBench(pods());
    const article = await screen.findByRole("article", { name: "Test run" });
    await user.click(within(article).getAllByRole("button", { name: /A fuse/ })[0]!);
    const list = await screen.findByRole("list", { name: "Alternatives" });
    await user.click(await within(list).findByRole("button", { name: /^30 A/ }));
    await user.click(screen.getByRole("button", { name: "Findings" }));
    await waitFor(() =>
      expect(findings()).toHaveTextContent("30 A fuse is above what it protects"),
    );
    expect(findings()).toHaveTextContent("Source:");
    await saved();
    expect(shop.job("j").runs[0]?.fuse).toEqual({ kind: "rating", ratingA: 30 });
    await user.click(
      await screen.findByRole("button", { name: "Let the practice choose the fuse" }),
    );
    await waitFor(() => expect(findings()).not.toHaveTextContent("30 A fuse is above"));
  });

  it("a tell-tale that is always lit costs days, told in days, mended in one press", async () => {
    const job = pods(allOf("switch"), {
      feed: { kind: "battery" },
      switchPartId: switchPart("switch-kit-tell"),
    });
    const { user } = await openBench(job);
    await waitFor(() => expect(findings()).toHaveTextContent(/Parked draw.*days/));
    await user.click(
      await screen.findByRole("button", { name: "Make it live only with the key on" }),
    );
    await waitFor(() => expect(findings()).not.toHaveTextContent("Parked draw"));
  });

  it("every position is proven and every fault tried, with a place for each", async () => {
    const { user } = await openBench(pods());
    await user.click(await screen.findByRole("button", { name: "Prove" }));
    const faults = await screen.findByRole("region", { name: "Faults" });
    expect(faults).toHaveTextContent(/\d+ tried\./);
    await user.click(within(faults).getByRole("button", { name: /^All \d+ faults/ }));
    expect(within(faults).getAllByRole("listitem").length).toBeGreaterThan(5);
  });

  it("hazards on a single pole are named where they are tied, and mended in one press", async () => {
    const tied = demoWhere((job) => job.deviations.some((d) => d.kind === "joined"));
    const { user, shop } = await openBench(tied);
    await user.click(await screen.findByRole("button", { name: "Prove" }));
    const proof = await screen.findByRole("region", { name: "Proof" });
    expect(proof).toHaveTextContent(/works unasked with left turn/);
    expect(proof).toHaveTextContent("feeds tied together");
    await user.click(within(proof).getAllByRole("button", { name: "Wire it as planned" })[0]!);
    await waitFor(() =>
      expect(screen.getByRole("region", { name: "Proof" })).toHaveTextContent(
        "Each does what was meant and nothing else.",
      ),
    );
    await saved();
    expect(shop.job("j").deviations).toEqual([]);
  });

  it("practices of the job differ from the shop's where it is said here", async () => {
    const { user, shop } = await openBench(pods());
    await user.click(await screen.findByRole("button", { name: "Practices" }));
    const dialog = within(await screen.findByRole("dialog"));
    await choose(user, dialog.getByRole("combobox", { name: "Wire sizes" }), "square millimetres");
    await user.click(dialog.getByRole("button", { name: "Close" }));
    await saved();
    expect(shop.job("j").practices.wireSystem).toBe("metric");
    expect((await screen.findAllByText(/mm²/)).length).toBeGreaterThan(0);
  });
});

describe("a part of the shelf that is chosen", () => {
  it("comes with the job's own copy", async () => {
    const { user, shop } = await openBench(pods(allOf("switch")));
    const article = await screen.findByRole("article", { name: "Test run" });
    await user.click(within(article).getByRole("button", { name: "Test run" }));
    const panel = within(screen.getByRole("region", { name: "Circuit Test run" }));
    await user.click(panel.getByRole("button", { name: "Switch" }));
    const list = await panel.findByRole("list", { name: "Alternatives" });
    await user.click(await within(list).findByRole("button", { name: /16 A rocker switch/ }));
    await saved();
    const chosen = shop.job("j").runs[0]?.switchPartId;
    expect(shop.job("j").parts.find((p) => p.id === chosen)).toEqual(demoPart(String(chosen)));
  });
});
