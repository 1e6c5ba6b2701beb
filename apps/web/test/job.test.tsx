/** A job's card, its history, its keys, and what two people did to the same place. */
import { createJob, type Job } from "@dragonet/core";
import { act, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { useJobStore } from "../src/job/store/jobStore.ts";
import { newVehicle } from "../src/vehicles/begin/newVehicle.ts";
import { choose, closePages, open, rewrite, saved } from "./page/open.tsx";
import { ANSA, Shop } from "./page/shop.ts";

afterEach(closePages);

const blank = (): Job => createJob("Two pods", "A farm", newVehicle());
const openJob = (stage = "intake", shop = new Shop()) =>
  open(shop.withJob("j", blank()), `/jobs/j/${stage}`);
const section = async (name: string) =>
  within((await screen.findByRole("heading", { name })).closest("section")!);

describe("a job that is opened by its name", () => {
  it.each(["intake", "prove", "handOver"] as const)(
    "opens where its work stands: %s",
    async (stage) => {
      const job = { ...blank(), card: { ...blank().card, stage } };
      const { path } = await open(new Shop().withJob("j", job), "/jobs/j");
      await screen.findByRole("heading", { level: 1, name: "Two pods" });
      await waitFor(() => expect(path()).toBe(`/jobs/j/${stage}`));
    },
  );
});

describe("the card", () => {
  it("is written field by field and saved by itself", async () => {
    const { user, shop } = await openJob();
    await rewrite(user, await screen.findByLabelText("Job"), "Three pods");
    expect(await screen.findByRole("heading", { level: 1, name: "Three pods" })).toBeVisible();
    await saved();
    expect(shop.job("j").card.title).toBe("Three pods");
    expect(await screen.findByText("Saved")).toBeVisible();
  });

  it("has wishes, a kit and what is in the way, each added, said and taken off", async () => {
    const { user, shop } = await openJob();
    for (const name of ["Wanted", "Kit", "Waiting for"]) {
      const own = await section(name);
      await user.click(own.getAllByRole("button").at(0)!);
    }
    await rewrite(user, screen.getByLabelText("Wish"), "see sheep at night");
    await rewrite(user, screen.getByLabelText("Kit item"), "Light bar");
    await rewrite(user, screen.getByLabelText("What it waits for"), "bar is late");
    await choose(user, screen.getByRole("combobox", { name: "Kind of blocker" }), /too cold|cold/);
    await saved();
    const { wishes, kit, blockers } = shop.job("j");
    expect(wishes.map((w) => w.text)).toEqual(["see sheep at night"]);
    expect(kit.map((k) => k.name)).toEqual(["Light bar"]);
    expect(blockers).toMatchObject([{ kind: "cold", text: "bar is late" }]);
  });

  it("moves on to a stage, which the board then shows", async () => {
    const { user, shop } = await openJob();
    const stage = await screen.findByRole("combobox", { name: "Stage of the job" });
    await choose(user, stage, /Circuit/);
    await saved();
    expect(shop.job("j").card.stage).toBe("circuit");
  });

  it("moves by a letter typed on the closed list, which is then no key of the page", async () => {
    const { user, shop, path } = await openJob();
    const stage = await screen.findByRole("combobox", { name: "Stage of the job" });
    stage.focus();
    await user.keyboard("5");
    expect(stage).toHaveTextContent("5 Fit");
    await saved();
    expect(shop.job("j").card.stage).toBe("fit");
    expect(screen.queryByRole("listbox")).toBeNull();
    expect(path()).toBe("/jobs/j/intake");
    stage.blur();
    await user.keyboard("5");
    await waitFor(() => expect(path()).toMatch(/\/fit/));
  });
});

describe("keys", () => {
  it("turn to a stage by its number, and not while something is typed", async () => {
    const { path } = await openJob();
    const title = await screen.findByLabelText("Job");
    fireEvent.keyDown(title, { key: "3" });
    expect(path()).toBe("/jobs/j/intake");
    fireEvent.keyDown(window, { key: "3", ctrlKey: true });
    expect(path()).toBe("/jobs/j/intake");
    fireEvent.keyDown(document.body, { key: "3" });
    await waitFor(() => expect(path()).toBe("/jobs/j/circuit"));
    fireEvent.keyDown(document.body, { key: "9" });
    expect(path()).toBe("/jobs/j/circuit");
  });

  it("are figures that begin no choice of a closed list, never its letters", async () => {
    const { user, path } = await openJob();
    const blockers = await section("Waiting for");
    await user.click(blockers.getAllByRole("button").at(0)!);
    const kind = await screen.findByRole("combobox", { name: "Kind of blocker" });
    const kinds = kind.textContent;
    act(() => kind.focus());
    fireEvent.keyDown(kind, { key: "?" });
    expect(await screen.findByRole("dialog")).toBeVisible();
    await user.keyboard("{Escape}");
    act(() => kind.focus());
    fireEvent.keyDown(kind, { key: "ø" });
    expect(kind).toHaveTextContent(kinds);
    expect(path()).toBe("/jobs/j/intake");
    fireEvent.keyDown(kind, { key: "3" });
    await waitFor(() => expect(path()).toBe("/jobs/j/circuit"));
  });
});

describe("two people on one job", () => {
  const theirs = (shop: Shop, value: string): void => {
    const kept = shop.jobs.get("j")!;
    const edit = { kind: "setOnce", entity: "card", field: "title", value } as const;
    kept.document = { ...kept.document, card: { ...kept.document.card, title: value } };
    kept.changes.push({
      ...{ revision: kept.changes.length + 2, batchId: "theirs", who: "Pim Okkerse" },
      ...{ acts: [], edits: [edit] },
    });
  };

  it("see each other's change when it comes", async () => {
    const { shop } = await openJob();
    await screen.findByLabelText("Job");
    theirs(shop, "Four pods");
    await act(() => useJobStore.getState().look());
    expect(await screen.findByRole("heading", { level: 1, name: "Four pods" })).toBeVisible();
  });

  it.each([
    ["Keep mine", "Mine"],
    ["Keep theirs", "Theirs"],
  ])("are asked about the same place: %s", async (press, title) => {
    const { user, shop } = await openJob();
    await screen.findByLabelText("Job");
    theirs(shop, "Theirs");
    const changes = shop.jobs.get("j")!.changes;
    let first = true;
    shop.answers(
      "POST jobs/j/edits",
      (body: { edits: never[]; batchId: string; known: number }) => {
        if (first) {
          first = false;
          return { status: 409, body: { reason: "clash", who: "Pim Okkerse", changes } };
        }
        const kept = shop.jobs.get("j")!;
        kept.document = { ...kept.document, card: { ...kept.document.card, title: "Mine" } };
        kept.changes.push({
          ...{ revision: 3, batchId: body.batchId, who: ANSA.name, acts: [], edits: body.edits },
        });
        return { status: 200, body: { revision: 3, changes: kept.changes } };
      },
    );
    await rewrite(user, screen.getByLabelText("Job"), "Mine");
    const dialog = within(await screen.findByRole("dialog", { name: /changed the same place/ }));
    expect(dialog.queryByRole("button", { name: "Close" })).toBeNull();
    await user.click(dialog.getByRole("button", { name: press }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(await screen.findByRole("heading", { level: 1, name: title })).toBeVisible();
  });

  it("keep what the server would not take, shown until it is let go", async () => {
    const shop = new Shop().answers("POST jobs/j/edits", () => ({
      status: 422,
      body: { message: "That title is not for this shop.", faults: [] },
    }));
    const { user } = await openJob("intake", shop);
    await rewrite(user, await screen.findByLabelText("Job"), "Poison");
    await user.click(await screen.findByRole("button", { name: /1 change not taken/ }));
    const dialog = within(await screen.findByRole("dialog", { name: /did not take/ }));
    expect(dialog.getByText("That title is not for this shop.")).toBeVisible();
    await user.click(dialog.getByRole("button", { name: "Let it go" }));
    await waitFor(() => expect(screen.queryByRole("button", { name: /not taken/ })).toBeNull());
  });
});

describe("the history", () => {
  const item = (revision: number, line: string) => ({
    ...{ revision, who: ANSA.name, lines: [line], at: "2026-05-04T08:00:00Z" },
  });

  it("goes back to an earlier state, and is read page by page", async () => {
    const shop = new Shop()
      .answers("GET jobs/j/history", (_: unknown, path) => ({
        status: 200,
        body: path.includes("before")
          ? [item(1, "job opened")]
          : [item(3, "third"), item(2, "second")],
      }))
      .answers("POST jobs/j/restore", () => ({ status: 200, body: {} }));
    const { user } = await openJob("history", shop);
    await user.click(await screen.findByRole("button", { name: "Older" }));
    expect(await screen.findByText("job opened")).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Back to 2" }));
    await waitFor(() => expect(shop.sent("POST", "jobs/j/restore")).toEqual([{ revision: 2 }]));
    expect(screen.queryByRole("button", { name: "Back to 3" })).toBeNull();
  });

  it("has the way to the bin, for owners, after a question", async () => {
    const shop = new Shop()
      .answers("GET jobs/j/history", () => ({ status: 200, body: [item(1, "job opened")] }))
      .answers("DELETE jobs/j", () => {
        shop.jobs.clear();
        return { status: 200, body: {} };
      });
    const { user, path } = await openJob("history", shop);
    await user.click(await screen.findByRole("button", { name: "Put in the bin" }));
    const dialog = within(await screen.findByRole("dialog"));
    await user.click(dialog.getByRole("button", { name: "Keep it" }));
    expect(shop.jobs.size).toBe(1);
    await user.click(screen.getByRole("button", { name: "Put in the bin" }));
    await user.click(
      within(await screen.findByRole("dialog")).getByRole("button", { name: "Put in the bin" }),
    );
    await waitFor(() => expect(path()).toBe("/"));
    expect(await screen.findByText(/is in the bin/)).toBeVisible();
  });

  it("offers nothing to change to a viewer", async () => {
    const shop = new Shop().answers("GET jobs/j/history", () => ({
      status: 200,
      body: [item(2, "second"), item(1, "job opened")],
    }));
    shop.person = { ...ANSA, role: "viewer" };
    await openJob("history", shop);
    expect(await screen.findByText("job opened")).toBeVisible();
    expect(screen.queryByRole("button", { name: /^Back to/ })).toBeNull();
    expect(screen.queryByRole("button", { name: "Put in the bin" })).toBeNull();
  });
});
