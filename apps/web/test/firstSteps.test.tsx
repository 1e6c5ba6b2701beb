/** What is told of each stage, and the first steps through a job. */
import { STAGES } from "@dragonet/core";
import { screen, waitFor, within } from "@testing-library/react";
import { keyed, oneRun } from "../../../packages/core/test/helpers.ts";
import { STAGE_WORDS } from "../src/job/stages.ts";
import { TOUR, useTour } from "../src/help/tour.ts";
import { closePages, open } from "./page/open.tsx";
import { Shop } from "./page/shop.ts";

afterEach(async () => {
  useTour.getState().end();
  await closePages();
});

const shopOf = (): Shop => new Shop().withJob("one", oneRun("bar-40", keyed));

const steps = () => screen.findByRole("complementary", { name: "First steps" });

describe("help", () => {
  it("tells of every stage what is done, what goes wrong, and its words", async () => {
    const { user } = await open(shopOf(), "/help");
    expect(await screen.findByRole("heading", { level: 1, name: "The shop" })).toBeVisible();
    const list = screen.getByRole("navigation", { name: "Help" });
    for (const [i, stage] of STAGES.entries()) {
      const title = `${i + 1} ${STAGE_WORDS[stage]}`;
      await user.click(within(list).getByRole("link", { name: title }));
      const topic = await screen.findByRole("article", { name: title });
      expect(within(topic).getByRole("heading", { name: "What is done" })).toBeVisible();
      expect(within(topic).getAllByRole("listitem").length).toBeGreaterThanOrEqual(5);
      expect(within(topic).getAllByRole("term").length).toBeGreaterThanOrEqual(2);
      expect(document.title).toContain(title);
    }
  });

  it("of the stage that is looked at is one press away, and a topic that is none is the shop", async () => {
    const first = await open(shopOf(), "/jobs/one/budget");
    await screen.findByText(/Line by line/);
    await first.user.click(screen.getByRole("link", { name: "Help" }));
    expect(await screen.findByRole("article", { name: "2 Budget" })).toBeVisible();
    first.unmount();
    await open(shopOf(), "/help/dreams");
    expect(await screen.findByRole("article", { name: "The shop" })).toBeVisible();
  });
});

describe("the first steps", () => {
  it("lead through a job of the shop, each on its page, and are not offered again", async () => {
    const shop = shopOf();
    const { user } = await open(shop, "/");
    await user.click(within(await steps()).getByRole("button", { name: "Begin" }));
    for (const [i, step] of TOUR.entries()) {
      const strip = await steps();
      await waitFor(() => expect(strip).toHaveTextContent(`${i + 1} of ${TOUR.length}`));
      expect(strip).toHaveTextContent(step.title);
      const last = i === TOUR.length - 1;
      expect(within(strip).queryByRole("button", { name: "Back" }) !== null).toBe(i > 0);
      if (step.at === "circuit") {
        expect(await screen.findByRole("group", { name: "Circuits" })).toBeVisible();
      }
      await user.click(within(strip).getByRole("button", { name: last ? "Done" : "Next" }));
    }
    await waitFor(() =>
      expect(shop.sent<{ toured: boolean }>("PUT", "session/preferences").at(-1)).toMatchObject({
        toured: true,
        units: "metric",
      }),
    );
    expect(screen.queryByRole("complementary", { name: "First steps" })).toBeNull();
  });

  it("go back a step, and can be left at any", async () => {
    const shop = shopOf();
    const { user } = await open(shop, "/");
    await user.click(within(await steps()).getByRole("button", { name: "Begin" }));
    await user.click(within(await steps()).getByRole("button", { name: "Next" }));
    await user.click(within(await steps()).getByRole("button", { name: "Back" }));
    expect(await steps()).toHaveTextContent(`1 of ${TOUR.length}`);
    await user.click(within(await steps()).getByRole("button", { name: "Skip" }));
    await waitFor(() =>
      expect(screen.queryByRole("complementary", { name: "First steps" })).toBeNull(),
    );
    expect(shop.sent("PUT", "session/preferences")).toHaveLength(1);
  });

  it("are no question for who said no, nor where there is no circuit to look at", async () => {
    const first = await open(shopOf(), "/");
    await first.user.click(within(await steps()).getByRole("button", { name: "Not now" }));
    await waitFor(() =>
      expect(screen.queryByRole("complementary", { name: "First steps" })).toBeNull(),
    );
    first.unmount();
    await open(new Shop(), "/");
    expect(await screen.findByText("No jobs yet")).toBeVisible();
    expect(screen.queryByRole("complementary", { name: "First steps" })).toBeNull();
  });

  it("begin from the help as well, for who was led before", async () => {
    const { user } = await open(shopOf(), "/help/fit");
    await user.click(await screen.findByRole("button", { name: "Five steps through a job" }));
    expect(await steps()).toHaveTextContent("The board");
    expect(await screen.findByRole("heading", { level: 1, name: "Jobs" })).toBeVisible();
  });
});
