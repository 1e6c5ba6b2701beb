/** The shop's figures, and what is to be ordered, on their pages. */
import { allOf, type Job } from "@dragonet/core";
import { FELLRUNNER, demoPart } from "@dragonet/core/demo";
import { screen, waitFor, within } from "@testing-library/react";
import { jobWith } from "../../../packages/core/test/helpers.ts";
import { closePages, open } from "./page/open.tsx";
import { ANSA, Shop } from "./page/shop.ts";

afterEach(closePages);

const POD = demoPart("pod-18");
const pods = (stage: Job["card"]["stage"], more: Partial<Job> = {}): Job => {
  const job = jobWith("pod-18", 2, allOf("high"));
  return { ...job, card: { ...job.card, title: "Pods", stage }, ...more };
};
const shopOf = (...jobs: Job[]): Shop => {
  const shop = new Shop().withVehicles(FELLRUNNER).withParts({ ...POD, stock: 1, price: 30 });
  jobs.forEach((job, i) => shop.withJob(`job-${i}`, job));
  return shop;
};

describe("the figures", () => {
  it("are hours planned and taken, what is waited for and what is wanted, each with its table", async () => {
    const timed = pods("handOver", {
      worked: [{ id: "w", task: "wire", minutes: 90, by: "Pim", at: "2026-11-01T10:00:00Z" }],
    });
    const blockers = [{ id: "b", kind: "customer" as const, text: "colour" }];
    await open(shopOf(timed, pods("circuit", { blockers })), "/figures");
    const hours = await screen.findByRole("table", { name: /^Hours planned and taken/ });
    expect(within(hours).getByRole("row", { name: /^Wiring .* 1\.5 h$/ })).toBeVisible();
    expect(screen.getByText(/each estimated from those before it/)).toBeVisible();
    const waits = screen.getByRole("table", { name: "Jobs by what they wait for" });
    expect(within(waits).getByRole("row", { name: "the customer 1" })).toBeVisible();
    const sells = screen.getByRole("table", { name: "Pieces wanted by open jobs" });
    expect(within(sells).getByRole("row", { name: `${POD.name} 2` })).toBeVisible();
    expect(screen.getByText("Nothing was mended after it was handed over.")).toBeVisible();
  });

  it("say what they come of where there are none", async () => {
    const first = await open(new Shop(), "/figures");
    expect(await screen.findByText("No figures yet")).toBeVisible();
    first.unmount();
    await open(shopOf(pods("circuit")), "/figures");
    expect(await screen.findByText(/from the first on, hours planned and taken/)).toBeVisible();
  });
});

describe("what is to be ordered", () => {
  it("is what open jobs want beyond the shelf, and arrives by one press", async () => {
    const shop = shopOf(pods("circuit"), pods("fit"));
    const { user } = await open(shop, "/shelf");
    const list = await screen.findByRole("list", { name: "To order" });
    const line = within(list)
      .getAllByRole("listitem")
      .find((one) => one.textContent.includes(POD.name))!;
    expect(line).toHaveTextContent("3 × 18 W flood pod");
    expect(line).toHaveTextContent("4 wanted, 1 on the shelf");
    expect(line).toHaveTextContent("90.00");
    expect(within(line).getAllByRole("link", { name: "Pods" })).toHaveLength(2);
    await user.click(within(line).getByRole("button", { name: `Arrived: ${POD.name}` }));
    await waitFor(() => expect(shop.parts.get("pod-18")?.value.stock).toBe(4));
    await waitFor(() =>
      expect(screen.queryByRole("button", { name: `Arrived: ${POD.name}` })).toBeNull(),
    );
  });

  it("is only looked at by a viewer", async () => {
    const shop = shopOf(pods("circuit"));
    shop.person = { ...ANSA, role: "viewer" };
    await open(shop, "/shelf");
    await screen.findByRole("list", { name: "To order" });
    expect(screen.queryByRole("button", { name: /^Arrived/ })).toBeNull();
  });
});
