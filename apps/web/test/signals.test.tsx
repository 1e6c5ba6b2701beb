/** Signals in time and budgets of packs: played, scripted, programmed, compared. */
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { demoShelf } from "@dragonet/core/demo";
import type { Job } from "@dragonet/core";
import { choose, closePages, open, saved } from "./page/open.tsx";
import { Shop, demoWhere } from "./page/shop.ts";

afterEach(closePages);

const openStage = (job: Job, stage: string) =>
  open(new Shop().withParts(...demoShelf()).withJob("j", job), `/jobs/j/${stage}`);

/** LED turn lamps on a flasher that takes their small current for a dead bulb. */
const hyper = () =>
  demoWhere(
    ({ vehicle, lamps }) =>
      vehicle.turn !== null && vehicle.profileId === "petrel-650" && lamps.length > 3,
  );
const withModule = () =>
  demoWhere(({ parts }) =>
    parts.some((p) => p.kind === "box" && p.behaviours.some((b) => b.flashes > 0)),
  );
const pack = () =>
  demoWhere(({ vehicle, runs }) => vehicle.system.kind === "pack" && runs.length === 1);

describe("a flash", () => {
  it("too fast is explained with its numbers, and mended by choosing a way", async () => {
    const { user } = await openStage(hyper(), "signals");
    const ways = within(await screen.findByRole("region", { name: "Remedies for the flash" }));
    expect(ways.getAllByText(/takes it for a dead bulb/).length).toBeGreaterThan(0);
    const rates = screen.getByRole("region", { name: "Rates" });
    expect(rates).toHaveTextContent("too fast");
    const line = ways
      .getAllByRole("listitem")
      .find((li) => /flasher for any load/.test(li.textContent));
    await user.click(within(line!).getByRole("button", { name: "Choose" }));
    await waitFor(() =>
      expect(screen.getByRole("region", { name: "Rates" })).not.toHaveTextContent("too fast"),
    );
  });
});

describe("time", () => {
  it("is stepped from event to event and scrubbed", async () => {
    const { user } = await openStage(hyper(), "signals");
    const time = await screen.findByRole("slider", { name: "Time" });
    fireEvent.change(time, { target: { value: "0" } });
    await user.click(screen.getByRole("button", { name: "Next event" }));
    await waitFor(() => expect(time).not.toHaveValue("0"));
    await user.click(screen.getByRole("button", { name: "Play" }));
    await user.click(screen.getByRole("button", { name: "Pause" }));
    expect(screen.getByRole("button", { name: "Play" })).toBeVisible();
  });

  it("runs by a script that makes sense, and is told at its line where it does not", async () => {
    const { shop } = await openStage(withModule(), "signals");
    const script = await screen.findByRole("textbox", { name: "Script of the controls" });
    const write = (text: string): void => {
      fireEvent.change(script, { target: { value: text } });
      fireEvent.blur(script);
    };
    write("0 key on\n2 brake on\n1 brake off\n");
    expect(await screen.findByText(/line 3: 1 s comes after 2 s/)).toBeVisible();
    write("0 key on\n0 speed 60\n2 brake on\n5 brake off\n");
    await waitFor(() => expect(screen.queryByText(/^line 3/)).toBeNull());
    await saved();
    expect(JSON.stringify(shop.job("j").signals)).toContain("60");
  });
});

describe("a module", () => {
  it("is programmed and verified, and what was live stays live when the plug comes out", async () => {
    const { user } = await openStage(withModule(), "signals");
    const region = await screen.findByRole("region", { name: /, simulated$/ });
    const module = within(region);
    await user.click(module.getByRole("button", { name: "Connect" }));
    await choose(
      user,
      module.getByRole("combobox", { name: "What goes wrong" }),
      "unplugged mid-write",
    );
    await user.click(module.getByRole("button", { name: "Write and verify" }));
    await waitFor(() => expect(region).toHaveTextContent("What was live is live"));
    await user.click(module.getByRole("button", { name: "Connect" }));
    expect(region).toHaveTextContent("A write was cut off");
    await choose(
      user,
      module.getByRole("combobox", { name: "What goes wrong" }),
      "nothing goes wrong",
    );
    await user.click(module.getByRole("button", { name: "Write and verify" }));
    await waitFor(() => expect(region).toHaveTextContent("Written and verified"));
  });
});

describe("ways to feed", () => {
  it("are compared, and the one that is chosen rewires the job", async () => {
    const { user, shop } = await openStage(pack(), "budget");
    await screen.findAllByText("12 V battery of its own");
    const ways = within(screen.getByRole("region", { name: "Compare options" }));
    const [own] = await ways.findAllByRole("row", { name: /^12 V battery of its own/ });
    expect(ways.getAllByRole("row", { name: /Tap at/ })[0]).toHaveTextContent(/half flat after/);
    await user.click(within(own!).getByRole("button", { name: "Choose" }));
    await waitFor(() =>
      expect(ways.getAllByRole("row", { name: /^12 V battery of its own/ })[0]).toHaveTextContent(
        "chosen",
      ),
    );
    await saved();
    expect(shop.job("j").parts.some((p) => p.kind === "battery")).toBe(true);
  });
});

describe("rules of a place", () => {
  it("are told where a lamp breaks them, and not where none speaks", async () => {
    const { user } = await openStage(withModule(), "signals");
    const region = await screen.findByRole("region", { name: "Where it is ridden" });
    const place = within(region).getByRole("combobox", { name: "Rules of the place" });
    await choose(user, place, "Off the road only");
    await waitFor(() => expect(region).toHaveTextContent("Nothing here that it asks otherwise"));
  });
});
