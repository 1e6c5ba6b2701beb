/** Stage 6 on the page: readings taken and refused, suspects, mends, the meter, the profile. */
import { allOf, type Job } from "@dragonet/core";
import { DEMO_VEHICLES } from "@dragonet/core/demo";
import { screen, waitFor, within } from "@testing-library/react";
import { jobWith } from "../../../packages/core/test/helpers.ts";
import { closePages, open, rewrite, saved } from "./page/open.tsx";
import { ANSA, Shop, demoWhere } from "./page/shop.ts";

afterEach(closePages);

const bar = (): Job => jobWith("bar-120", 1, allOf("switch"));
const openProve = (job: Job, shop = new Shop()) => open(shop.withJob("j", job), "/jobs/j/prove");

const lastSeen = () => within(screen.getAllByRole("group", { name: /: seen$/ }).at(-1)!);
/** On a wide screen and on a phone: the same step twice, the list's last. */
const inList = <T,>(all: T[]): T => all.at(-1)!;

describe("a reading", () => {
  it("that is dark where light was wanted ranks suspects and proposes the next", async () => {
    const { user, shop } = await openProve(bar());
    await screen.findByRole("heading", { name: "Test on the vehicle" });
    await user.click(lastSeen().getByRole("button", { name: "dark" }));
    const status = await screen.findByText("What may be wrong");
    const panel = within(status.closest("[role=status]")!);
    expect(panel.getAllByRole("listitem")[0]).toHaveTextContent("%");
    expect(panel.getByText("Next:")).toBeVisible();
    await saved();
    expect(shop.job("j").readings).toHaveLength(1);
    expect(shop.job("j").readings[0]).toMatchObject({ value: 0, by: ANSA.name });
  });

  it("that cannot be asks what was meant, and is not taken", async () => {
    const { user, shop } = await openProve(bar());
    const volts = inList(await screen.findAllByRole("textbox", { name: /reading in V$/ }));
    await rewrite(user, volts, "1270");
    expect((await screen.findAllByText(/cannot be: .*mV, or the range/)).length).toBeGreaterThan(0);
    await rewrite(user, volts, "twelve");
    expect(screen.getByText(/“twelve” is no number, such as 12.4/)).toBeVisible();
    expect(screen.getByText(/^0 of \d+ steps/)).toBeVisible();
    await saved();
    expect(shop.job("j").readings).toEqual([]);
  });

  it("that is left out says why", async () => {
    const { user, shop } = await openProve(bar());
    const [why] = await screen.findAllByRole("textbox", { name: /why it is left out$/ });
    await rewrite(user, why!, "clamp is at the other bench");
    expect(
      (await screen.findAllByText("waived: clamp is at the other bench")).length,
    ).toBeGreaterThan(0);
    expect(screen.getByText(/^1 of \d+ steps/)).toBeVisible();
    await saved();
    expect(shop.job("j").readings[0]).toMatchObject({ value: null });
  });

  it("comes in many from a file, the impossible told one by one", async () => {
    const { user } = await openProve(bar());
    const input = await screen.findByLabelText("CSV in");
    const file = (text: string): File => new File([text], "r.csv", { type: "text/csv" });
    await user.upload(input, file("step,reading\nnothing,twelve"));
    expect(await screen.findByText(/line 2/)).toBeVisible();
    expect(screen.getByText(/^0 of \d+ steps/)).toBeVisible();
  });

  it("cannot be taken by who may only look", async () => {
    const shop = new Shop();
    shop.person = { ...ANSA, role: "viewer" };
    await openProve(bar(), shop);
    const volts = await screen.findAllByRole("textbox", { name: /reading in V$/ });
    expect(volts.every((field) => (field as HTMLInputElement).disabled)).toBe(true);
    expect(screen.queryByRole("button", { name: "By meter" })).toBeNull();
  });
});

describe("the steps one by one", () => {
  it("go on and back, never past an end", async () => {
    const { user } = await openProve(bar());
    const one = within(await screen.findByRole("region", { name: "Step by step" }));
    expect(one.getByText(/^Step 1 of \d+/)).toBeInTheDocument();
    expect(one.getByRole("button", { name: "Back" })).toBeDisabled();
    await user.click(one.getByRole("button", { name: "Next" }));
    expect(one.getByText(/^Step 2 of \d+/)).toBeInTheDocument();
    const most = Number(/of (\d+)/.exec(one.getByText(/^Step 2/).textContent)?.[1]);
    for (let i = 2; i < most; i += 1) await user.click(one.getByRole("button", { name: "Next" }));
    expect(one.getByRole("button", { name: "Next" })).toBeDisabled();
  });
});

describe("the meter", () => {
  const meter = () =>
    new Shop().answers("GET meter", () => ({
      status: 200,
      body: { address: "127.0.0.1:5025", name: "Simulated meter,stand-in,1,2" },
    }));

  it("that is not there says where it was looked for", async () => {
    const shop = new Shop().answers("GET meter", () => ({
      status: 404,
      body: { message: "no meter at 127.0.0.1:9" },
    }));
    const { user } = await openProve(bar(), shop);
    await user.click(await screen.findByRole("button", { name: "By meter" }));
    const panel = screen.getByRole("region", { name: "By the meter" });
    await waitFor(() => expect(panel).toHaveTextContent("no meter at 127.0.0.1:9"));
  });

  it("that is there says who it is, and a step of it can wait", async () => {
    const { user } = await openProve(bar(), meter());
    await user.click(await screen.findByRole("button", { name: "By meter" }));
    const panel = screen.getByRole("region", { name: "By the meter" });
    await waitFor(() => expect(panel).toHaveTextContent("Simulated meter, stand-in, at 127.0.0.1"));
    const before = panel.textContent;
    expect(within(panel).getByRole("button", { name: "Take it" })).toBeDisabled();
    await user.click(within(panel).getByRole("button", { name: "Another step" }));
    await waitFor(() => expect(panel.textContent).not.toBe(before));
  });
});

describe("a suspect", () => {
  const suspected = (): Job =>
    demoWhere(
      ({ readings, mends, card }) =>
        readings.length > 2 && mends.length === 0 && card.stage === "prove",
    );

  it("is mended: with what, what was done, its time, and what is read again; and undone", async () => {
    const { user, shop } = await openProve(suspected());
    const mendIt = await screen.findAllByRole("button", { name: /^Mend it/ });
    expect((await screen.findAllByTitle("suspected")).length).toBeGreaterThan(0);
    await user.click(mendIt[0]!);
    const dialog = within(await screen.findByRole("dialog", { name: "Mend it" }));
    expect(await dialog.findByText("Take:")).toBeVisible();
    expect(dialog.getByLabelText("Done")).toHaveFocus();
    await rewrite(user, dialog.getByLabelText("Minutes"), "a while");
    await user.click(dialog.getByRole("button", { name: "Mended" }));
    expect(dialog.getByText("0 to 6000 minutes")).toBeVisible();
    await rewrite(user, dialog.getByLabelText("Done"), "");
    await rewrite(user, dialog.getByLabelText("Minutes"), "12");
    await user.click(dialog.getByRole("button", { name: "Mended" }));
    expect(dialog.getByText("What was done?")).toBeVisible();
    await rewrite(user, dialog.getByLabelText("Done"), "crimped anew");
    await user.click(dialog.getByRole("button", { name: "Mended" }));
    expect(await screen.findByRole("heading", { name: "Mended" })).toBeVisible();
    // The suspect's own button is gone: the keyboard goes on from the page.
    await waitFor(() => expect(document.getElementById("main")).toHaveFocus());
    await saved();
    const [mend] = shop.job("j").mends;
    expect(mend).toMatchObject({ done: "crimped anew", minutes: 12, by: ANSA.name });
    expect(mend?.again.length).toBeGreaterThan(0);
    expect(shop.job("j").worked.at(-1)).toMatchObject({ task: "wire", minutes: 12 });
    await user.click(screen.getByRole("button", { name: "Undo" }));
    await saved();
    expect(shop.job("j").mends).toEqual([]);
  });
});

describe("what was proved on the machine", () => {
  it("is compared with its profile and written there once", async () => {
    const job = demoWhere(
      ({ vehicle }) =>
        JSON.stringify(vehicle.pins) !==
        JSON.stringify(
          DEMO_VEHICLES.find((v) => v.profileId === vehicle.profileId)?.pins ?? vehicle.pins,
        ),
    );
    const profile = DEMO_VEHICLES.find((v) => v.profileId === job.vehicle.profileId)!;
    const { user, shop } = await openProve(job, new Shop().withVehicles(profile));
    const region = await screen.findByRole("region", { name: "Proved here, not in the profile" });
    await user.click(within(region).getByRole("button", { name: "Write to the profile" }));
    expect(await screen.findByText(`Written to the profile of ${profile.model}`)).toBeVisible();
    await waitFor(() => expect(region).not.toBeInTheDocument());
    expect(shop.vehicles.get(profile.profileId)?.revision).toBe(2);
    expect(shop.vehicles.get(profile.profileId)?.value.pins).not.toEqual(profile.pins);
  });
});
