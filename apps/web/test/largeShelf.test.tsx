/** The shelf of a shop that has many parts: some at a time, found by words, in and out as a file. */
import { asId, createJob, type Part, type PartId } from "@dragonet/core";
import { FELLRUNNER, demoPart } from "@dragonet/core/demo";
import { screen, waitFor, within } from "@testing-library/react";
import { closePages, open } from "./page/open.tsx";
import { Shop } from "./page/shop.ts";

afterEach(closePages);

const dialog = () => within(screen.getByRole("dialog"));

describe("a large shelf", () => {
  const many = (count: number): Part[] =>
    Array.from({ length: count }, (_, i) => ({
      ...demoPart("pod-18"),
      id: asId<PartId>(`pod-${i}`),
      name: `Pod ${String(i).padStart(3, "0")}`,
    }));

  it("shows the first of a kind and how many there are, leads to all, and is searched", async () => {
    const shop = new Shop().withParts(...many(70), demoPart("switch-rocker-16"));
    const { user, path } = await open(shop, "/shelf");
    await user.click(await screen.findByRole("link", { name: /^All 70: / }));
    expect(path()).toBe("/shelf");
    await screen.findByText("Pod 049");
    expect(screen.queryByText("Pod 050")).toBeNull();
    expect(screen.queryByText(demoPart("switch-rocker-16").name)).toBeNull();
    await user.click(screen.getByRole("link", { name: "Next ones" }));
    expect(await screen.findByText("Pod 069")).toBeVisible();
    expect(screen.queryByText("Pod 049")).toBeNull();
    // Other words begin at the first again.
    await user.type(screen.getByRole("searchbox", { name: "Search the shelf" }), "pod 01");
    expect(await screen.findByText("Pod 012")).toBeVisible();
    expect(screen.queryByText("Pod 069")).toBeNull();
    await user.click(screen.getByRole("link", { name: "Every kind" }));
    await user.clear(screen.getByRole("searchbox", { name: "Search the shelf" }));
    expect(await screen.findByText(demoPart("switch-rocker-16").name)).toBeVisible();
    await user.type(screen.getByRole("searchbox", { name: "Search the shelf" }), "anvil");
    expect(await screen.findByText(/Nothing on the shelf has “anvil”/)).toBeVisible();
  });

  it("says which jobs hold a part, some at a time, and as a table", async () => {
    const job = (n: number) => ({
      ...{ id: `job-${n}`, title: `Job ${n}`, customer: "Scar", model: "Quad", machine: "" },
      ...{ stage: "handOver", updatedAt: "2026-11-20T10:00:00Z", count: n },
      lots: n === 2 ? ["A-77"] : [],
    });
    const shop = new Shop()
      .withParts(demoPart("pod-18"))
      .answers("GET shelf/pod-18/jobs", (_, path) =>
        /after=later/.test(path)
          ? { status: 200, body: { jobs: [job(3)], next: "" } }
          : { status: 200, body: { jobs: [job(1), job(2)], next: "later" } },
      );
    const { user } = await open(shop, "/shelf?part=pod-18");
    const summary = within(await screen.findByRole("dialog")).getByText("Jobs that hold it");
    expect(shop.asked.some(({ path }) => path.startsWith("shelf/pod-18/jobs"))).toBe(false);
    await user.click(summary);
    const list = within(await dialog().findByRole("list", { name: "Jobs that hold it" }));
    expect(list.getByRole("link", { name: "Job 2" })).toHaveAttribute("href", "/jobs/job-2");
    await user.click(dialog().getByRole("button", { name: "More of them" }));
    expect(await list.findByRole("link", { name: "Job 3" })).toBeVisible();
    expect(dialog().queryByRole("button", { name: "More of them" })).toBeNull();
    expect(dialog().getByRole("link", { name: "All of them as CSV" })).toHaveAttribute(
      "href",
      "/api/shelf/pod-18/jobs/file",
    );
    // Of one lot of it.
    expect(list.getByText("A-77")).toBeVisible();
    await user.type(dialog().getByLabelText("Lot of it"), "A-77{Enter}");
    await waitFor(() =>
      expect(dialog().getByRole("link", { name: "All of them as CSV" })).toHaveAttribute(
        "href",
        "/api/shelf/pod-18/jobs/file?lot=A-77",
      ),
    );
    expect(shop.asked.some(({ path }) => /jobs\?.*lot=A-77/.test(path))).toBe(true);
  });

  it("offers those at hand where a lamp is chosen, and others by their words", async () => {
    const shop = new Shop().withParts(...many(230));
    const empty = createJob("Bar", "", FELLRUNNER);
    const { user } = await open(shop.withJob("j", empty), "/jobs/j/circuit");
    await user.click(await screen.findByRole("button", { name: "New circuit" }));
    await screen.findByRole("dialog", { name: "New circuit" });
    await user.click(dialog().getByRole("tab", { name: "Add lamps" }));
    await user.type(await dialog().findByRole("searchbox", { name: "Search the shelf" }), "225");
    const chosen = dialog().getByRole("combobox", { name: "Part from the shelf" });
    await waitFor(() => expect(chosen).toHaveTextContent("Pod 225"));
    await user.click(dialog().getByRole("button", { name: "Add circuit" }));
    await waitFor(() =>
      expect(shop.jobs.get("j")?.document.parts.map(({ name }) => name)).toEqual(["Pod 225"]),
    );
  });
});

describe("the shelf as a file", () => {
  it("is taken in and counted, or told line by line", async () => {
    let broken = true;
    const shop = new Shop().answers("POST parts/import", () =>
      broken
        ? {
            status: 422,
            body: { message: "Not taken.", faults: [{ path: "line 3", message: "no price" }] },
          }
        : { status: 200, body: { added: 2, changed: 1 } },
    );
    const { user } = await open(shop, "/shelf");
    const input = await screen.findByLabelText("CSV in");
    const file = new File(["id,name"], "shelf.csv", { type: "text/csv" });
    await user.upload(input, file);
    expect(await screen.findByText("line 3")).toBeVisible();
    await user.click(dialog().getByRole("button", { name: "Close" }));
    broken = false;
    await user.upload(input, file);
    expect(await screen.findByText("2 parts added, 1 changed")).toBeVisible();
    expect(shop.sent("POST", "parts/import").at(-1)).toEqual({ csv: "id,name" });
  });
});
