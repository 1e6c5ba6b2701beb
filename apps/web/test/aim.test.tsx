/** Aiming: marks on the wall, what stood off and what undoes it, light on the road, eyes that must bear it. */
import { createJob, type Job } from "@dragonet/core";
import { FELLRUNNER } from "@dragonet/core/demo";
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { choose, closePages, open, rewrite, saved } from "./page/open.tsx";
import { ANSA, Shop, demoWhere } from "./page/shop.ts";

afterEach(closePages);

/** Two lamps in place, one to each side, that shine ahead; nothing else of the job is placed. */
function lit(): Job {
  const job = demoWhere(
    (j) =>
      j.parts.some((part) => part.kind === "load" && part.photometry) &&
      (["left", "right"] as const).every((side) => j.mounts.some((m) => m.side === side)),
  );
  const of = (side: string) => job.mounts.find((m) => m.side === side)!;
  return {
    ...{ ...job, mounts: [of("left"), of("right")], aims: [], holes: [], bonds: [] },
    aiming: { ...job.aiming, distanceM: 7.62 },
  };
}
/** The same of lamps that nobody measured: only their marks are worked out. */
const unmeasured = (): Job => {
  const job = lit();
  const parts = job.parts.map((part) =>
    part.kind === "load" ? { ...part, photometry: undefined } : part,
  );
  return { ...job, parts, vehicle: { ...job.vehicle, beams: [] } };
};
const darkAt = (darkPlace: Job["aiming"]["darkPlace"]): Job["aiming"] => ({
  ...{ ...lit().aiming, darkPlace },
});
const openAim = async (job: Job, shop = new Shop()) => {
  const opened = await open(shop.withJob("j", job), "/jobs/j/aim");
  await screen.findByRole("heading", { name: "Marks on the wall" });
  return opened;
};
const rows = (): HTMLElement[] =>
  screen.getAllByRole("listitem").filter((li) => within(li).queryByLabelText(/: beam$/));
/** The road is worked out in the worker: its figures stand below the pictures. */
const figures = () => screen.findByText(/Somebody in grey gets/);

describe("marks on the wall", () => {
  it("are none where no lamp has its place, and the way there is told", async () => {
    const bare = createJob("Bare", "", FELLRUNNER);
    await open(new Shop().withJob("j", bare), "/jobs/j/aim");
    expect(await screen.findByText("No lamp has its place yet")).toBeVisible();
    expect(screen.getByRole("link", { name: "where the lamps sit" })).toHaveAttribute(
      "href",
      "/jobs/j/fit/lamps",
    );
  });

  it("say height, side, the rule they are held against and its source", async () => {
    await openAim(unmeasured());
    for (const row of rows()) {
      expect(row).toHaveTextContent(/ up, /);
      expect(row).toHaveTextContent(/(within|outside) .* to .*: .+/);
    }
  });

  it("turn what stood off into turns, as often as it is measured, in the person's unit", async () => {
    const { user, shop } = await openAim(unmeasured());
    const [row] = rows() as [HTMLElement];
    expect(row).toHaveTextContent("not measured at the wall yet");
    await choose(user, within(row).getByLabelText(/: turned$/), /screw/);
    await rewrite(user, within(row).getByLabelText(/above its mark/), "-90");
    await rewrite(user, within(row).getByLabelText(/right of its mark/), "40");
    await user.click(within(row).getByRole("button", { name: "Take it down" }));
    expect(row).toHaveTextContent(/last 90 mm low, 40 mm to the right: .*turns? up/);
    expect(within(row).getByLabelText(/above its mark/)).toHaveValue("0");
    await saved();
    const aim = shop.job("j").aims.find((a) => a.errors.length > 0)!;
    expect(aim.errors.at(-1)).toMatchObject({
      ...{ upMm: -90, rightMm: 40, distanceM: 7.62, by: ANSA.name },
    });
    // The turn of the screw is its pitch over its lever: 90 mm at 7.62 m are 0.677°.
    const turns = (Math.tan(0.09 / 7.62) * aim.leverMm) / aim.pitchMm;
    expect(row).toHaveTextContent(`${turns.toFixed(2)} turns up`);
  });

  it("follow the wanted tilt, the beam and the screw, each saved", async () => {
    const { user, shop } = await openAim(unmeasured());
    const [row] = rows() as [HTMLElement];
    await rewrite(user, within(row).getByLabelText(/wanted, \+ is above level/), "-1.5");
    await rewrite(user, within(row).getByLabelText(/wanted, \+ is to the right/), "2");
    await choose(user, within(row).getByLabelText(/: beam$/), /fog/);
    await choose(user, within(row).getByLabelText(/: turned$/), /screw/);
    await rewrite(user, within(row).getByLabelText(/a turn moves the screw/), "0.8");
    await rewrite(user, within(row).getByLabelText(/screw from the pivot/), "60");
    await saved();
    const aim = shop.job("j").aims.find((a) => a.toeDeg === 2)!;
    expect(aim).toMatchObject({ beam: "fog", adjuster: "screw", pitchMm: 0.8, leverMm: 60 });
    expect(shop.job("j").mounts.some((m) => m.wantedTiltDeg === -1.5)).toBe(true);
  });

  it("refuse what no lamp is turned by, and keep what was", async () => {
    const { user, shop } = await openAim(unmeasured());
    const [row] = rows() as [HTMLElement];
    const before = shop.job("j").mounts;
    await rewrite(user, within(row).getByLabelText(/wanted, \+ is above level/), "90");
    expect(within(row).getByLabelText(/wanted, \+ is above level/)).toHaveAttribute(
      "aria-invalid",
      "true",
    );
    await saved();
    expect(shop.job("j").mounts).toEqual(before);
  });

  it("are moved by arrow keys on the wall, a centimetre a press", async () => {
    const { shop } = await openAim(unmeasured());
    const [mark] = screen.getAllByRole("slider", { name: /^Mark of/ }) as [HTMLElement];
    const was = Number(mark.getAttribute("aria-valuenow"));
    for (let i = 0; i < 4; i += 1) fireEvent.keyDown(mark, { key: "ArrowDown" });
    await waitFor(() => {
      const now = Number(
        screen.getAllByRole("slider", { name: /^Mark of/ })[0]!.getAttribute("aria-valuenow"),
      );
      // Aims are held in steps of a twentieth of a degree: 7 mm here.
      expect(now).toBeLessThan(was - 20);
      expect(now).toBeGreaterThan(was - 60);
    });
    fireEvent.keyDown(mark, { key: "a" });
    await saved();
    expect(shop.sent("POST", "jobs/j/edits").length).toBeGreaterThan(0);
  });

  it("offer nothing to turn to a viewer", async () => {
    const shop = new Shop();
    shop.person = { ...ANSA, role: "viewer" };
    await openAim(unmeasured(), shop);
    expect(screen.queryByRole("button", { name: "Take it down" })).toBeNull();
    for (const tick of screen.getAllByRole("checkbox", { name: /level floor|tyres|ballast/i })) {
      expect(tick).toBeDisabled();
    }
  });
});

describe("how it stands at the wall", () => {
  it("is said: distance, sag, side of the road, and what is signed before", async () => {
    const { user, shop } = await openAim(unmeasured());
    await rewrite(user, screen.getByLabelText(/^Lamps to the wall/), "10");
    await rewrite(user, screen.getByLabelText(/^Lower behind as ridden/), "60");
    expect(await screen.findByText(/the nose rises .*° as it is ridden/)).toBeVisible();
    await choose(user, screen.getByLabelText("Side of the road"), "rides on the left");
    const [tick] = screen.getAllByRole("checkbox").filter((c) => !c.hasAttribute("disabled"));
    await user.click(tick!);
    expect(await screen.findByText(`· ${ANSA.name}`)).toBeVisible();
    await saved();
    const { aiming, checks } = shop.job("j");
    expect(aiming).toMatchObject({ distanceM: 10, rearSagMm: 60, keeps: "left" });
    expect(checks.some((c) => c.by === ANSA.name)).toBe(true);
  });

  it("is in feet for whoever counts in feet", async () => {
    const shop = new Shop();
    shop.person = { ...ANSA, preferences: { ...ANSA.preferences, units: "us" } };
    const { user } = await openAim(unmeasured(), shop);
    const field = screen.getByLabelText(/^Lamps to the wall/);
    expect(field).toHaveValue("25");
    await rewrite(user, field, "33");
    await saved();
    expect(shop.job("j").aiming.distanceM).toBeCloseTo(33 * 0.3048, 9);
  });

  it("knows a window that wants the dark, and lets it go", async () => {
    const { user, shop } = await openAim({ ...unmeasured(), aiming: darkAt(null) });
    await user.click(screen.getByRole("button", { name: "A window or dome that wants the dark" }));
    await rewrite(user, await screen.findByLabelText("What wants the dark"), "Bedroom");
    await rewrite(user, await screen.findByLabelText(/^Bedroom: m ahead/), "15");
    await saved();
    expect(shop.job("j").aiming.darkPlace).toMatchObject({ name: "Bedroom", aheadM: 15 });
    await user.click(screen.getByRole("button", { name: /Bedroom/ }));
    await saved();
    expect(shop.job("j").aiming.darkPlace).toBeNull();
  });
});

describe("light on the road", () => {
  it("tells how far, how wide, what eyes and windows get; lamps are put out one by one", async () => {
    const window = { name: "Bedroom", aheadM: 15, rightM: 4, upM: 2.5, mostLux: 0.0001 };
    const { user } = await openAim({ ...lit(), aiming: darkAt(window) });
    const far = await figures();
    expect(Number(/as far as (\d+) m/.exec(far.textContent)?.[1] ?? 0)).toBeGreaterThan(5);
    expect(screen.getByText(/the ground is lit/)).toHaveTextContent(/wide/);
    expect(screen.getByText(/Bedroom gets/)).toHaveTextContent(/above its 0.0001 lx/);
    const group = within(screen.getByRole("group", { name: "Lit" }));
    const on = () => group.queryAllByRole("checkbox", { checked: true });
    while (on().length > 0) await user.click(on()[0]!);
    expect(await screen.findByText(/nowhere ahead/)).toBeVisible();
  });

  it("stands beside other lamps, on one scale, and alone again", async () => {
    const { user } = await openAim(lit());
    await figures();
    const beside = screen.getByRole("button", { name: "Beside it: other lamps" });
    await user.click(beside);
    await waitFor(() => expect(screen.getAllByText(/Somebody in grey gets/)).toHaveLength(2));
    expect(screen.getByRole("group", { name: "A" })).toBeVisible();
    expect(screen.getByRole("group", { name: "B" })).toBeVisible();
    await user.click(beside);
    expect(screen.getAllByText(/Somebody in grey gets/)).toHaveLength(1);
  });

  it("is turned to the best aim under the limit of an eye, by search", async () => {
    const { user, shop } = await openAim(lit());
    await figures();
    await rewrite(user, screen.getByLabelText(/^Most that an oncoming eye may get/), "100000");
    await user.click(screen.getByRole("button", { name: "Find the best aim" }));
    const take = screen.findByRole("button", { name: "Take it" });
    const said = screen.findByText(/goes out with the high beam: no oncoming eye/);
    const found = await Promise.any([take, said]);
    expect(found).toBeVisible();
    if (found.tagName !== "BUTTON") return;
    const before = shop.job("j").mounts.map((m) => m.wantedTiltDeg);
    await user.click(found);
    await saved();
    expect(shop.job("j").aiming.glareCd).toBe(100_000);
    expect(shop.job("j").mounts.map((m) => m.wantedTiltDeg)).not.toEqual(before);
  });
});
