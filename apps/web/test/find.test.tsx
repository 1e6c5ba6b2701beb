/** One place to find anything from every page, the keys, and how they are turned off. */
import { allOf, readJobText, type Job } from "@dragonet/core";
import { FELLRUNNER, demoPart } from "@dragonet/core/demo";
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { jobWith } from "../../../packages/core/test/helpers.ts";
import { closePages, open } from "./page/open.tsx";
import { ANSA, Shop } from "./page/shop.ts";

afterEach(closePages);

const job = jobWith("pod-18", 2, allOf("key", "switch"));
const shopWith = (): Shop =>
  new Shop().withVehicles(FELLRUNNER).withParts(demoPart("pod-18")).withJob("job-0", job);

/** The dialog as Ctrl+K opens it. */
async function finding(shop: Shop, path = "/") {
  const page = await open(shop, path);
  await screen.findByRole("heading", { level: 1 });
  await page.user.keyboard("{Control>}k{/Control}");
  const dialog = await screen.findByRole("dialog", { name: "Find" });
  return { ...page, dialog, field: await within(dialog).findByRole("combobox") };
}
const options = (dialog: HTMLElement): (string | null)[] =>
  within(dialog)
    .getAllByRole("option")
    .map((option) => option.textContent);

describe("finding", () => {
  it("takes what is typed before its field is there, which is no key of the page", async () => {
    const { user, path } = await open(shopWith(), "/jobs/job-0/intake");
    const stage = await screen.findByRole("combobox", { name: "Stage of the job" });
    const before = stage.textContent;
    stage.focus();
    await user.keyboard("{Control>}k{/Control}");
    // First of the file: what the dialog is made of is still being fetched.
    expect(screen.queryByRole("dialog")).toBeNull();
    await user.keyboard("{Enter}8 x{Backspace}w");
    const dialog = await screen.findByRole("dialog", { name: "Find" });
    const field = await within(dialog).findByRole("combobox");
    expect(field).toHaveValue("8 w");
    await waitFor(() => expect(field).toHaveFocus());
    await user.keyboard("pods");
    expect(field).toHaveValue("8 wpods");
    expect(path()).toBe("/jobs/job-0/intake");
    expect(stage).toHaveTextContent(before);
    await user.keyboard("{Escape}");
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    await user.keyboard("{Control>}k{/Control}");
    expect(await screen.findByPlaceholderText(/A customer, a vehicle/)).toHaveValue("");
  });

  it("opens by Ctrl+K with the focus in its field, and closes by the same or Escape", async () => {
    const { user, field } = await finding(shopWith());
    await waitFor(() => expect(field).toHaveFocus());
    await user.keyboard("{Control>}k{/Control}");
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    await user.click(screen.getByRole("button", { name: "Find" }));
    await screen.findByRole("dialog", { name: "Find" });
    await user.keyboard("{Escape}");
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
  });

  it("goes to pages, and in a job to its stages first, by their words", async () => {
    const { user, dialog, field, path } = await finding(shopWith(), "/jobs/job-0/budget");
    expect(options(dialog).slice(0, 2)).toEqual(["1 Intake", "2 Budget"]);
    fireEvent.change(field, { target: { value: "wall marks" } });
    await waitFor(() => expect(options(dialog)).toEqual(["7 Aim"]));
    await user.keyboard("{Enter}");
    await waitFor(() => expect(path()).toBe("/jobs/job-0/aim"));
    expect(screen.queryByRole("dialog")).toBeNull();
  });

  it("opens the paper of the job that is open, and has none where none is", async () => {
    const opened = jest.spyOn(window, "open").mockReturnValue(null);
    const { user, dialog, field, path } = await finding(shopWith(), "/jobs/job-0/budget");
    fireEvent.change(field, { target: { value: "pdf" } });
    await waitFor(() => expect(options(dialog)).toEqual(["Wiring sheet as PDF"]));
    await user.keyboard("{Enter}");
    await waitFor(() =>
      expect(opened).toHaveBeenCalledWith(
        ...["/api/jobs/job-0/wiring-sheet.pdf", "_blank", "noopener"],
      ),
    );
    expect(path()).toBe("/jobs/job-0/budget");
    opened.mockRestore();
    await closePages();
    const board = await finding(shopWith());
    expect(options(board.dialog)).not.toContain("Wiring sheet as PDF");
  });

  it("shows what the shop has by kind, with where it was found, and opens it", async () => {
    const found = [
      { kind: "part", id: "pod-18", title: "18 W pod", about: "load", where: "" },
      { kind: "job", id: "job-0", title: "Pods", about: "Scar Top", where: "under the kettle" },
      { kind: "vehicle", id: "fellrunner-420", title: "Fellrunner", about: "quad", where: "" },
    ];
    const shop = shopWith().answers("GET search", () => ({ status: 200, body: found }));
    const { user, dialog, field, path } = await finding(shop);
    fireEvent.change(field, { target: { value: "pod kettle" } });
    await within(dialog).findByText("… under the kettle");
    expect(options(dialog)).toEqual([
      "PodsScar Top… under the kettle",
      "18 W podLamps, horns, heaters, outlets",
      "Fellrunnerquad",
    ]);
    expect(shop.asked.some((a) => a.path.endsWith("search?q=pod%20kettle"))).toBe(true);
    await user.click(within(dialog).getByRole("option", { name: /18 W pod/ }));
    await waitFor(() => expect(path()).toBe("/shelf"));
    // The part itself is open there.
    expect(await screen.findByRole("dialog", { name: /pod/i })).toBeVisible();
  });

  it("says when nothing has it, and when it could not be looked for", async () => {
    let body: unknown = [];
    let status = 200;
    const shop = shopWith().answers("GET search", () => ({ status, body }));
    const { field } = await finding(shop);
    fireEvent.change(field, { target: { value: "xylo" } });
    expect(await screen.findByText("Nothing has “xylo”: fewer words find more.")).toBeVisible();
    [status, body] = [503, { message: "the database is away" }];
    fireEvent.change(field, { target: { value: "xylophone" } });
    expect(await screen.findByText(/could be looked for/)).toHaveTextContent(
      "the database is away",
    );
  });

  it("plans a job that is said in a sentence, after it was looked over", async () => {
    const shop = shopWith()
      .withParts(demoPart("switch-rocker-16"))
      .answers("POST jobs/import", ({ text }: { text: string }) => {
        const read = readJobText(text);
        if (!read.ok) return { status: 422, body: { message: "no job" } };
        shop.withJob("said", read.value as unknown as Job);
        return { status: 201, body: { id: "said" } };
      });
    const { user, dialog, field, path } = await finding(shop);
    const said = "two pods with high beam on the Fellrunner for Scar Top Farm";
    fireEvent.change(field, { target: { value: said } });
    await user.click(await within(dialog).findByRole("option", { name: /^Plan this as a job/ }));
    await screen.findByRole("button", { name: "Plan it" });
    // Back to change it, the sentence is there and written on.
    await user.click(screen.getByRole("button", { name: "Change the sentence" }));
    const back = within(await screen.findByRole("dialog", { name: "Find" }));
    await waitFor(() => expect(back.getByRole("combobox")).toHaveFocus());
    expect(back.getByRole("combobox")).toHaveValue(said);
    await user.keyboard("{Enter}");
    await screen.findByRole("button", { name: "Plan it" });
    // Enter is enough: what can be pressed has the focus.
    await waitFor(() => expect(screen.getByRole("button", { name: "Plan it" })).toHaveFocus());
    await user.keyboard("{Enter}");
    await waitFor(() => expect(path()).toBe("/jobs/said/circuit"));
    expect(shop.job("said").lamps).toHaveLength(2);
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
  });

  it("goes to what is called as it was written, before jobs that have the words", async () => {
    const found = [
      { kind: "job", id: "pods", title: "Wiring sheets", about: "Scar Top", where: "" },
    ];
    const shop = shopWith().answers("GET search", () => ({ status: 200, body: found }));
    const { user, dialog, field, path } = await finding(shop, "/jobs/job-0/prove");
    fireEvent.change(field, { target: { value: "wiring sheet" } });
    await within(dialog).findByRole("option", { name: /^Wiring sheets/ });
    expect(options(dialog)[0]).toBe("Wiring sheet");
    await user.keyboard("{Enter}");
    await waitFor(() => expect(path()).toBe("/jobs/job-0/sheet"));
  });

  it("has always one chosen for Enter: the first of what is left where the chosen one is gone", async () => {
    const found = ["pods", "more"].map((id) => ({
      ...{ kind: "job", id, title: `Two ${id}`, about: "Scar Top", where: "" },
    }));
    let answer: (() => void) | null = null;
    const shop = shopWith().answers("GET search", async (_, path) => {
      if (!path.includes("Farm")) return { status: 200, body: found };
      await new Promise<void>((done) => (answer = done));
      return { status: 200, body: [] };
    });
    const { dialog, field } = await finding(shop);
    const chosen = () =>
      within(dialog)
        .getAllByRole("option")
        .filter((option) => option.getAttribute("aria-selected") === "true")
        .map((option) => option.textContent.slice(0, 8));
    fireEvent.change(field, { target: { value: "two pods with high beam" } });
    await waitFor(() => expect(options(dialog)).toHaveLength(3));
    fireEvent.keyDown(field, { key: "ArrowDown" });
    expect(chosen()).toEqual(["Two more"]);
    fireEvent.change(field, { target: { value: "two pods with high beam for Scar Top Farm" } });
    await waitFor(() => expect(answer).not.toBeNull());
    await waitFor(() => expect(chosen()).toEqual(["Two pods"]));
    answer!();
    await waitFor(() => expect(options(dialog)).toHaveLength(1));
    expect(chosen()).toEqual(["Plan thi"]);
    fireEvent.keyDown(field, { key: "Enter" });
    expect(await screen.findByRole("dialog", { name: "Plan this job" })).toBeVisible();
  });

  it("plans a sentence at once, though its beginning has found something", async () => {
    const job = { kind: "job", id: "job-0", title: "Pods", about: "Scar Top", where: "" };
    const shop = shopWith().answers("GET search", (_, path) =>
      path.includes("Farm") ? new Promise<never>(() => {}) : { status: 200, body: [job] },
    );
    const { dialog, field, path } = await finding(shop);
    fireEvent.change(field, { target: { value: "two pods with high beam" } });
    await within(dialog).findByRole("option", { name: /Pods/ });
    fireEvent.change(field, { target: { value: "two pods with high beam for Scar Top Farm" } });
    fireEvent.keyDown(field, { key: "Enter" });
    expect(await screen.findByRole("dialog", { name: "Plan this job" })).toBeVisible();
    expect(path()).toBe("/");
  });

  it("offers no planning to who may only look", async () => {
    const shop = shopWith();
    shop.person = { ...ANSA, role: "viewer" };
    const { dialog, field } = await finding(shop);
    fireEvent.change(field, { target: { value: "two pods with high beam" } });
    await waitFor(() => expect(within(dialog).queryByText(/Plan this/)).toBeNull());
  });
});

describe("single keys", () => {
  it("tell themselves by ?, and change the stage by its figure", async () => {
    const { user, path } = await open(shopWith(), "/jobs/job-0/budget");
    await screen.findByRole("navigation", { name: "Stages" });
    await user.keyboard("?");
    const dialog = await screen.findByRole("dialog", { name: "Keys" });
    expect(within(dialog).getByText("high beam")).toBeVisible();
    // In a dialog they do nothing.
    await user.keyboard("4");
    expect(path()).toBe("/jobs/job-0/budget");
    await user.keyboard("{Escape}");
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    await user.keyboard("4");
    await waitFor(() => expect(path()).toBe("/jobs/job-0/signals"));
  });

  it("do nothing where they are turned off", async () => {
    const shop = shopWith();
    shop.person = { ...ANSA, preferences: { ...ANSA.preferences, singleKeys: false } };
    const { user, path } = await open(shop, "/jobs/job-0/budget");
    await screen.findByRole("navigation", { name: "Stages" });
    await user.keyboard("4?");
    expect(path()).toBe("/jobs/job-0/budget");
    expect(screen.queryByRole("dialog")).toBeNull();
  });

  it("are turned off in the settings", async () => {
    const shop = shopWith().answers("PUT session/preferences", () => ({ status: 204 }));
    const { user } = await open(shop, "/settings");
    const tick = await screen.findByRole("checkbox", { name: /^Single keys act/ });
    expect(tick).toBeChecked();
    await user.click(tick);
    await waitFor(() =>
      expect(shop.asked.find((a) => a.path.endsWith("session/preferences"))?.body).toMatchObject({
        singleKeys: false,
      }),
    );
  });
});

describe("the arrow keys at the bench", () => {
  it("go along a circuit, which Tab stops at once", async () => {
    const { user } = await open(shopWith(), "/jobs/job-0/circuit");
    const circuits = await screen.findByRole("group", { name: "Circuits" });
    const row = within(circuits).getAllByRole("article")[0]!;
    const stops = within(row).getAllByRole("button");
    expect(stops.length).toBeGreaterThan(4);
    expect(stops.filter((stop) => stop.tabIndex >= 0)).toEqual([stops[0]]);
    stops[0]!.focus();
    await user.keyboard("{ArrowRight}{ArrowRight}");
    expect(stops[2]).toHaveFocus();
    await user.keyboard("{ArrowLeft}");
    expect(stops[1]).toHaveFocus();
    await user.keyboard("{End}");
    expect(stops.at(-1)).toHaveFocus();
    // At the end of the last circuit there is no further.
    await user.keyboard("{ArrowRight}{ArrowDown}");
    expect(stops.at(-1)).toHaveFocus();
    await user.keyboard("{Home}");
    expect(stops[0]).toHaveFocus();
    await user.keyboard("{ArrowUp}");
    expect(stops[0]).toHaveFocus();
  });
});
