/** Fitting: ways and stretches, holes, bonds, lamps where they sit, the cut list. */
import { createJob } from "@dragonet/core";
import { FELLRUNNER } from "@dragonet/core/demo";
import { screen, waitFor, within } from "@testing-library/react";
import { fitted, openFit } from "./page/fit.ts";
import { closePages, rewrite, saved } from "./page/open.tsx";
import { ANSA } from "./page/shop.ts";

afterEach(closePages);

describe("ways", () => {
  it("are followed, a stretch is signed for, and a length that is none is refused", async () => {
    const { user, shop } = await openFit(fitted(), "route");
    await user.click(await screen.findByRole("combobox", { name: "Wire to follow" }));
    const [, wire] = within(await screen.findByRole("listbox")).getAllByRole("option");
    const named = wire!.textContent;
    await user.click(wire!);
    const followed = screen
      .getAllByRole("status")
      .find((said) => /with its slack/.test(said.textContent));
    expect(followed).toBeVisible();
    expect(screen.getByRole("combobox", { name: "Wire to follow" })).toHaveTextContent(named);
    const region = within(screen.getByRole("region", { name: "Stretches with wires in them" }));
    const boxes = region.getAllByRole("checkbox");
    const open_ = boxes.find((b) => b.getAttribute("aria-checked") === "false")!;
    await user.click(open_);
    expect(open_).toBeChecked();
    await saved();
    expect(shop.job("j").checks.some((c) => c.by === ANSA.name)).toBe(true);
    await user.click(screen.getByRole("button", { name: "Measure the map" }));
    const map = within(screen.getByRole("region", { name: "Stretches" }));
    const length = map.getAllByRole("textbox")[0]!;
    await rewrite(user, length, "far");
    expect(screen.getByRole("alert")).toHaveTextContent("“far” is not valid");
  });
});

describe("holes", () => {
  it("are found from marks, and told when they leave the panel", async () => {
    const { user, shop } = await openFit(fitted(), "holes");
    const [change] = await screen.findAllByRole("button", { name: "Change" });
    await user.click(change!);
    const [down] = screen.getAllByLabelText(/: down from/);
    await rewrite(user, down!, "4900");
    await waitFor(() => expect(screen.getAllByRole("alert")[0]).toHaveTextContent("off the panel"));
    await user.click(screen.getByRole("button", { name: "Undo" }));
    await waitFor(() => expect(screen.queryByText(/off the panel/)).toBeNull());
    await saved();
    expect(shop.job("j").holes).toEqual(fitted().holes);
  });
});

describe("what is stuck on", () => {
  it("waits for its warmth and its three ticks, then cures", async () => {
    const job = fitted();
    const [bond] = job.bonds;
    const fresh = { ...job, bonds: [{ ...bond!, pressedAt: "" }] };
    const { user, shop } = await openFit(fresh, "adhesive");
    const surface = await screen.findByLabelText(new RegExp(`^${bond!.what}: surface`));
    await rewrite(user, surface, "4");
    expect(await screen.findByText(/too cold for/)).toBeVisible();
    expect(screen.getByRole("button", { name: "Pressed now" })).toBeDisabled();
    await rewrite(user, surface, "21");
    for (const name of ["cleaned", "tried dry", "ends marked with tape"]) {
      const tick = screen.getByRole("checkbox", { name });
      if (tick.getAttribute("aria-checked") === "false") await user.click(tick);
    }
    expect(screen.queryByText(/^Not yet/)).toBeNull();
    await user.click(screen.getByRole("button", { name: "Pressed now" }));
    await saved();
    expect(shop.job("j").bonds[0]?.pressedAt).not.toBe("");
    await user.click(screen.getByRole("button", { name: "Not pressed after all" }));
    await saved();
    expect(shop.job("j").bonds[0]?.pressedAt).toBe("");
  });
});

describe("lamps where they sit", () => {
  it("are drawn and measured by the tape", async () => {
    await openFit(fitted(), "lamps");
    const drawn = await screen.findByRole("img", { name: /^From behind: / });
    const mounts = fitted().mounts.length;
    expect(mounts).toBeGreaterThan(0);
    // Every lamp in place has its own row of figures.
    expect(screen.getAllByRole("combobox", { name: /: side$/ })).toHaveLength(mounts);
    expect(drawn).toBeVisible();
  });
});

describe("the cut list", () => {
  it("is laid over spools of the length that is said", async () => {
    const { user } = await openFit(fitted(), "cut");
    const spool = await screen.findByLabelText(/^Length of a spool/);
    const before = screen.getAllByRole("img", { name: /^spool \d+:/ }).length;
    // Shorter spools are more of them.
    await rewrite(user, spool, "3");
    await waitFor(() =>
      expect(screen.getAllByRole("img", { name: /^spool \d+:/ }).length).toBeGreaterThan(before),
    );
    await rewrite(user, spool, "none");
    expect(spool).toBeInvalid();
  });

  it("is empty before anything is planned, and says where that is done", async () => {
    await openFit(createJob("Empty", "", FELLRUNNER), "cut");
    expect(await screen.findByText("Nothing to cut yet")).toBeVisible();
  });
});
