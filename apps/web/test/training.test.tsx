/** The trainer on the page: a hidden fault, questions, and how everybody does. */
import { allOf } from "@dragonet/core";
import { DEMO_VEHICLES, demoShelf } from "@dragonet/core/demo";
import { screen, waitFor, within } from "@testing-library/react";
import { jobWith } from "../../../packages/core/test/helpers.ts";
import { choose, closePages, open } from "./page/open.tsx";
import { Shop } from "./page/shop.ts";

// The same faults and questions each time, so that a failure is one of what was changed.
jest.mock("../src/training/training.ts", () => ({
  ...jest.requireActual<object>("../src/training/training.ts"),
  anySeed: () => 7,
}));

afterEach(closePages);

function school(): Shop {
  const kept: unknown[] = [];
  const shop = new Shop().withParts(...demoShelf()).withVehicles(...DEMO_VEHICLES);
  shop
    .withJob("bar", jobWith("bar-120", 1, allOf("switch")))
    .answers("GET training", () => ({ status: 200, body: kept }))
    .answers("GET training/everybody", () => ({ status: 200, body: [] }))
    .answers("POST training/results", (body: object) => {
      kept.push({ ...body, at: "2026-05-04T08:00:00Z" });
      return { status: 201, body: {} };
    });
  return shop;
}

describe("a fault to find", () => {
  async function started() {
    const page = await open(school(), "/training");
    const on = await screen.findByRole("combobox", { name: "Trained on" });
    await waitFor(() => expect(page.shop.sent("GET", "board/open").length).toBeGreaterThan(0));
    await choose(page.user, on, "test");
    await page.user.click(screen.getByRole("button", { name: "Start" }));
    await screen.findByText(/^“With .*”$/);
    return page;
  }
  const log = () => screen.getByText(/as built/).closest("ol")!;

  it("is probed: each probe is judged, the same again tells nothing", async () => {
    const { user } = await started();
    const tips = within(screen.getByRole("group", { name: "Tips on" }));
    await user.click(tips.getAllByRole("button")[0]!);
    await waitFor(() => expect(within(log()).getAllByRole("listitem")).toHaveLength(1));
    expect(log()).toHaveTextContent(/\d V/);
    await user.click(tips.getAllByRole("button")[0]!);
    await waitFor(() =>
      expect(screen.getAllByRole("listitem").some((li) => /wasted/.test(li.textContent))).toBe(
        true,
      ),
    );
  });

  it("is named wrongly for nothing, then shown, and kept as not found", async () => {
    const { user, shop } = await started();
    const named = screen.getByRole("combobox", { name: "Fault" });
    expect(screen.getByRole("button", { name: "That is it" })).toBeDisabled();
    await user.click(named);
    const options = within(await screen.findByRole("listbox")).getAllByRole("option");
    expect(options.length).toBeGreaterThan(5);
    await user.click(options[1]!);
    await user.click(screen.getByRole("button", { name: "That is it" }));
    const verdict = await screen.findByText(/changed for nothing|of 100/);
    if (/changed for nothing/.test(verdict.textContent)) {
      await user.click(screen.getByRole("button", { name: "Show me" }));
      expect(await screen.findByText("Not found.")).toBeVisible();
      expect(shop.sent("POST", "training/results")).toMatchObject([{ right: false }]);
    } else expect(shop.sent("POST", "training/results")).toMatchObject([{ right: true }]);
  });
});

describe("a question", () => {
  it("is asked though it was wanted before the shelf was there", async () => {
    const shop = school();
    let open_: () => void = () => {};
    const gate = new Promise<void>((done) => (open_ = done));
    const parts = [...shop.parts.values()];
    shop.answers("GET shelf/choices", async () => {
      await gate;
      return { status: 200, body: { parts, more: false } };
    });
    const { user } = await open(shop, "/training");
    await user.click(await screen.findByRole("button", { name: "Ask me" }));
    expect(screen.getByRole("button", { name: "Ask me" })).toBeDisabled();
    open_();
    expect(await screen.findByRole("group", { name: "Answers" })).toBeVisible();
  });

  it("is answered, explained, kept, and the focus goes on to the next", async () => {
    const { user, shop } = await open(school(), "/training");
    await user.click(await screen.findByRole("button", { name: "Ask me" }));
    const answers = within(await screen.findByRole("group", { name: "Answers" }));
    await user.click(answers.getAllByRole("button")[0]!);
    expect(await answers.findByText("right")).toBeVisible();
    const next = screen.getByRole("button", { name: "Next question" });
    expect(next).toHaveFocus();
    expect(shop.sent("POST", "training/results")).toHaveLength(1);
    await user.keyboard("{Enter}");
    await waitFor(() =>
      expect(
        within(screen.getByRole("group", { name: "Answers" })).getAllByRole("button")[0],
      ).toBeEnabled(),
    );
  });

  it("that cannot be made says why, and is asked again on a press", async () => {
    let away = true;
    const shop = school();
    const all = [...shop.vehicles.values()];
    shop.answers("GET profiles", () =>
      away
        ? { status: 503, body: { message: "The store is away." } }
        : { status: 200, body: { vehicles: all, next: "" } },
    );
    const { user } = await open(shop, "/training");
    await user.click(await screen.findByRole("button", { name: "Ask me" }));
    expect(await screen.findByText("The store is away.")).toBeVisible();
    away = false;
    await user.click(screen.getByRole("button", { name: "Try again" }));
    expect(await screen.findByRole("group", { name: "Answers" })).toBeVisible();
  });
});
