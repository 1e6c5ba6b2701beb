/** Fitting: what comes off and goes back. */
import { createJob } from "@dragonet/core";
import { FELLRUNNER } from "@dragonet/core/demo";
import { fireEvent, screen, within } from "@testing-library/react";
import { newVehicle } from "../src/vehicles/begin/newVehicle.ts";
import { openFit } from "./page/fit.ts";
import { choose, closePages, rewrite, saved, type Opened } from "./page/open.tsx";
import { Shop } from "./page/shop.ts";

afterEach(closePages);

const say = async (user: Opened["user"], words: string): Promise<void> => {
  const field = screen.getByLabelText(/^Say or type a step/);
  await rewrite(user, field, words);
  fireEvent.submit(field.closest("form")!);
};

describe("the ledger", () => {
  const step = (name: RegExp) =>
    screen.getAllByRole("listitem").find((li) => within(li).queryByRole("button", { name }))!;

  it("is said step by step, refuses the wrong order, and is undone", async () => {
    const { user, shop } = await openFit(createJob("Strip", "", FELLRUNNER), "strip");
    await screen.findByLabelText(/^Say or type a step/);
    await say(user, "rider seat: 2 hex M6 x 20 rear 10 Nm; 4 min");
    expect(step(/rider seat/)).toHaveTextContent("2 fasteners");
    await say(user, "left cover: 1 push rear; after rider seat; 3 min");
    await say(user, "floor mat: after the moon");
    expect(screen.getByRole("alert")).toHaveTextContent("“moon”: no such step");
    await user.click(within(step(/left cover/)).getByRole("button", { name: "Take off" }));
    expect(step(/left cover/)).toHaveTextContent("rider seat");
    await saved();
    expect(shop.job("j").strip.map((s) => s.state)).toEqual(["on", "on"]);
    await user.click(within(step(/rider seat/)).getByRole("button", { name: "Take off" }));
    await user.click(within(step(/left cover/)).getByRole("button", { name: "Take off" }));
    await saved();
    expect(shop.job("j").strip.map((s) => s.state)).toEqual(["off", "off"]);
  });
});

describe("a step as it is said", () => {
  it("is two where a second panel comes after then, and neither where one cannot be", async () => {
    const { user, shop } = await openFit(createJob("Strip", "", FELLRUNNER), "strip");
    await screen.findByLabelText(/^Say or type a step/);
    await say(user, "rack 4 bolts; then rack 2 clips");
    expect(screen.getByRole("alert")).toHaveTextContent("“rack” is in the ledger already");
    expect(shop.job("j").strip).toEqual([]);
    await rewrite(
      user,
      screen.getByLabelText(/^Say or type a step/),
      "rack 4 bolts; then cover 2 clips",
    );
    expect(screen.getAllByRole("list", { name: "Understood" })).toHaveLength(2);
    const [, second] = screen.getAllByLabelText("How many were understood");
    await rewrite(user, second!, "3");
    await user.click(screen.getByRole("button", { name: "Add" }));
    await saved();
    const { strip, fasteners } = shop.job("j");
    expect(strip.map((s) => s.name)).toEqual(["rack", "cover"]);
    expect(strip[1]!.after).toEqual([strip[0]!.id]);
    expect(fasteners.map((f) => f.count)).toEqual([4, 3]);
  });

  it("is shown as it was understood, put right by touch, and added so", async () => {
    const { user, shop } = await openFit(createJob("Strip", "", FELLRUNNER), "strip");
    const field = await screen.findByLabelText(/^Say or type a step/);
    expect(screen.queryByRole("list", { name: "Understood" })).toBeNull();
    await user.type(field, "seat 5 screws rear and 8 star T25, very tight; smells of diesel");
    const chips = within(screen.getByRole("list", { name: "Understood" }));
    expect(chips.getAllByRole("listitem").map((li) => li.textContent)).toEqual([
      ...["seat", expect.stringContaining("rear"), expect.stringContaining("T25, very tight")],
      "kept as a note: smells of diesel",
    ]);
    const [count] = chips.getAllByLabelText("How many were understood");
    await rewrite(user, count!, "6");
    await choose(user, chips.getAllByLabelText("Drive that was understood")[0]!, "slot");
    await user.click(screen.getByRole("button", { name: "Add" }));
    expect(screen.queryByRole("list", { name: "Understood" })).toBeNull();
    expect(field).toHaveValue("");
    await saved();
    const { strip, fasteners } = shop.job("j");
    expect(strip[0]).toMatchObject({ name: "seat", catches: "smells of diesel" });
    expect(fasteners).toMatchObject([
      { count: 6, drive: "slot", where: "rear" },
      { count: 8, drive: "sixLobe", size: "T25", where: "very tight" },
    ]);
  });

  it("is added by Enter, and what is put right is forgotten with other words", async () => {
    const { user, shop } = await openFit(createJob("Strip", "", FELLRUNNER), "strip");
    const field = await screen.findByLabelText(/^Say or type a step/);
    await user.type(field, "seat 5 clips");
    await rewrite(user, screen.getByLabelText("How many were understood"), "7");
    await user.type(field, " left{Enter}");
    await saved();
    expect(shop.job("j").fasteners).toMatchObject([{ count: 5, drive: "push", where: "left" }]);
  });
});

describe("a step, opened", () => {
  const two = async () => {
    const shop = new Shop();
    const opened = await openFit(createJob("Strip", "", newVehicle()), "strip", shop);
    await screen.findByLabelText(/^Say or type a step/);
    await say(opened.user, "rider seat: 2 hex M6 x 20 rear 10 Nm; 4 min");
    await say(opened.user, "left cover: 1 push rear; 3 min");
    await opened.user.click(screen.getByRole("button", { name: /rider seat/, expanded: false }));
    return { ...opened, shop };
  };
  const ledger = async (shop: Shop) => {
    await saved();
    return shop.job("j");
  };

  it("has its fasteners written down, counted and taken off the list", async () => {
    const { user, shop } = await two();
    await user.click(screen.getByRole("button", { name: "Fastener" }));
    const [first, second] = screen.getAllByLabelText("How many") as [HTMLElement, HTMLElement];
    await rewrite(user, first, "4");
    await choose(user, screen.getAllByLabelText("Drive")[1]!, /star/);
    await rewrite(user, screen.getAllByLabelText("Size")[1]!, "T30");
    await rewrite(user, screen.getAllByLabelText(/^Length/)[1]!, "35");
    await rewrite(user, screen.getAllByLabelText("Where it sits")[1]!, "under the lip");
    await rewrite(user, screen.getAllByLabelText(/^Torque/)[1]!, "12");
    await choose(user, screen.getAllByLabelText("Thread")[1]!, /greased/);
    const { fasteners } = await ledger(shop);
    expect(fasteners[0]).toMatchObject({ count: 4, torqueNm: 10 });
    // One spot for each piece, wherever nobody has put it yet.
    expect(fasteners[0]!.spots).toHaveLength(4);
    expect(fasteners.at(-1)).toMatchObject({
      ...{ drive: "sixLobe", size: "T30", lengthMm: 35, where: "under the lip" },
      ...{ torqueNm: 12, locker: "grease", count: 1 },
    });
    await rewrite(user, first, "2");
    expect((await ledger(shop)).fasteners[0]!.spots).toHaveLength(2);
    await rewrite(user, second, "none");
    expect(second).toBeInvalid();
    await user.click(screen.getAllByRole("button", { name: /^Remove T30/ })[0]!);
    expect((await ledger(shop)).fasteners.map((f) => f.size)).toEqual(["M6", ""]);
  });

  it("says what is heavy, painted, catches and is forgotten, and how long it takes", async () => {
    const { user, shop } = await two();
    await user.click(screen.getByRole("checkbox", { name: /heavy/ }));
    await user.click(screen.getByRole("checkbox", { name: /painted/ }));
    await rewrite(user, screen.getByLabelText("Catches, and the way it moves"), "slides back");
    await rewrite(user, screen.getByLabelText("What is forgotten on the way back"), "the strap");
    await rewrite(user, screen.getByLabelText(/^Estimated time/), "6");
    await rewrite(user, screen.getByLabelText(/^Time it took/), "9");
    const [step] = (await ledger(shop)).strip;
    expect(step).toMatchObject({
      ...{ hold: true, paint: true, catches: "slides back", forget: "the strap" },
      ...{ estimateMin: 6, tookMin: 9 },
    });
    expect(screen.getByRole("button", { name: /rider seat/, expanded: true })).toHaveTextContent(
      /heavy, painted, 6 min/,
    );
  });

  it("comes off after what is said, and never in a circle", async () => {
    const { user, shop } = await two();
    await user.click(screen.getByRole("checkbox", { name: "left cover" }));
    const [seat, cover] = (await ledger(shop)).strip;
    expect(seat!.after).toEqual([cover!.id]);
    await user.click(screen.getByRole("button", { name: /left cover/, expanded: false }));
    await user.click(screen.getByRole("checkbox", { name: "rider seat" }));
    expect(await screen.findByText(/^Not done: .*/)).toBeVisible();
    expect((await ledger(shop)).strip[1]!.after).toEqual([]);
  });

  it("parts its plugs on the way off and joins them on the way back, each counted", async () => {
    const { user, shop } = await two();
    await user.click(screen.getByRole("button", { name: "Plug" }));
    const off = () => screen.getAllByRole("button", { name: "Take off" })[0]!;
    await user.click(off());
    expect(await screen.findByText(/^rider seat: .*plug/)).toBeVisible();
    expect((await ledger(shop)).strip[0]!.state).toBe("on");
    await user.click(screen.getByRole("checkbox", { name: /^parted/ }));
    await user.click(off());
    expect((await ledger(shop)).strip[0]!.state).toBe("off");
    await user.click(screen.getByRole("button", { name: "Show putting back" }));
    const row = () =>
      screen
        .getAllByRole("listitem")
        .find((li) => within(li).queryByRole("button", { name: /rider seat/ }))!;
    const back = () => within(row()).getByRole("button", { name: "Put back" });
    await user.click(back());
    expect((await ledger(shop)).strip[0]!.state).toBe("off");
    await user.click(screen.getByRole("checkbox", { name: /^joined/ }));
    await user.click(screen.getByRole("button", { name: /^One more back/ }));
    expect(screen.getByText("1 / 2")).toBeVisible();
    await user.click(screen.getByRole("button", { name: "All" }));
    expect(screen.getByRole("button", { name: /^One more back/ })).toBeDisabled();
    await user.click(back());
    const job = await ledger(shop);
    expect(job.strip[0]!.state).toBe("back");
    expect(job.fasteners[0]!.back).toBe(2);
    expect(job.plugs[0]).toMatchObject({ parted: true, joined: true });
  });

  it("keeps the pattern that its fasteners came out of, by arrow keys and by hand", async () => {
    const { user, shop } = await two();
    const spot = () => screen.getByRole("button", { name: /M6 × 20 hex, rear, 1 of 2/ });
    const at = async () => (await ledger(shop)).fasteners[0]!.spots[0]!;
    const was = await at();
    fireEvent.keyDown(spot(), { key: "ArrowRight" });
    fireEvent.keyDown(spot(), { key: "ArrowDown" });
    fireEvent.keyDown(spot(), { key: "x" });
    const moved = await at();
    expect(moved.x).toBeCloseTo(was.x + 0.02, 9);
    expect(moved.y).toBeCloseTo(was.y + 0.02, 9);
    // At the edge it stays on the panel.
    for (let i = 0; i < 60; i += 1) fireEvent.keyDown(spot(), { key: "ArrowLeft" });
    expect((await at()).x).toBe(0);
    const svg = screen.getByRole("group", { name: "Pattern of the fasteners" });
    svg.getBoundingClientRect = () => new DOMRect(0, 0, 220, 130);
    const drag = (type: string, x: number, y: number): boolean =>
      fireEvent(spot(), new MouseEvent(type, { bubbles: true, clientX: x, clientY: y }));
    drag("pointerdown", 12, 12);
    drag("pointermove", 110, 65);
    drag("pointerup", 110, 65);
    expect(await at()).toEqual({ x: 0.5, y: 0.5 });
    // Let go where it was: nothing is written down.
    const edits = shop.sent("POST", "jobs/j/edits").length;
    drag("pointerdown", 110, 65);
    drag("pointerup", 110, 65);
    await user.click(svg);
    await saved();
    expect(shop.sent("POST", "jobs/j/edits")).toHaveLength(edits);
  });

  it("is tapped anew where each was, and counted by that", async () => {
    const { user, shop } = await two();
    const svg = screen.getByRole("group", { name: "Pattern of the fasteners" });
    svg.getBoundingClientRect = () => new DOMRect(0, 0, 220, 130);
    const tap = (x: number, y: number): boolean =>
      fireEvent(svg, new MouseEvent("pointerdown", { bubbles: true, clientX: x, clientY: y }));
    const begin = () => user.click(screen.getByRole("button", { name: /^Tap anew where each M6/ }));
    await begin();
    tap(12, 12);
    tap(208, 12);
    tap(110, 118);
    tap(30, 30);
    await user.click(screen.getByRole("button", { name: "One back" }));
    expect(screen.getByText(/^Tap where each M6/)).toHaveTextContent("3 so far");
    await user.click(screen.getByRole("button", { name: "Keep 3" }));
    const kept = (await ledger(shop)).fasteners[0]!;
    expect(kept.count).toBe(3);
    expect(kept.spots).toEqual([
      { x: 0, y: 0 },
      { x: 1, y: 0 },
      { x: 0.5, y: 1 },
    ]);
    // Left as it was where somebody thinks better of it; nothing is kept of no tap.
    await begin();
    expect(screen.getByRole("button", { name: "Keep" })).toBeDisabled();
    tap(12, 12);
    await user.click(screen.getByRole("button", { name: "Leave it" }));
    expect((await ledger(shop)).fasteners[0]!.count).toBe(3);
    // Fewer than there were: what is back in is no more than there are.
    await begin();
    tap(110, 65);
    await user.click(screen.getByRole("button", { name: "Keep 1" }));
    expect((await ledger(shop)).fasteners[0]).toMatchObject({
      count: 1,
      spots: [{ x: 0.5, y: 0.5 }],
    });
  });

  it("goes with all that hung on it", async () => {
    const { user, shop } = await two();
    await user.click(screen.getByRole("button", { name: "Remove rider seat" }));
    const job = await ledger(shop);
    expect(job.strip.map((s) => s.name)).toEqual(["left cover"]);
    expect(job.fasteners).toHaveLength(1);
  });
});
