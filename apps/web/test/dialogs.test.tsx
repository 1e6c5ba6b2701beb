/** What is asked and refused in dialogs: files that are not taken in, practices of a job, signing out, closing up. */
import { screen, waitFor, within } from "@testing-library/react";
import { keyed, oneRun } from "../../../packages/core/test/helpers.ts";
import { withLedger } from "../../../packages/core/test/jobs.ts";
import { demoPart } from "@dragonet/core/demo";
import { choose, closePages, open, rewrite, saved } from "./page/open.tsx";
import { Shop } from "./page/shop.ts";

afterEach(closePages);

const job = () => oneRun("bar-40", keyed);
const file = (text: string, name = "job.json") => new File([text], name);

describe("a job file", () => {
  it("that is taken in opens its job", async () => {
    const shop = new Shop().withJob("made", job());
    shop.answers("POST jobs/import", () => ({ status: 201, body: { id: "made", revision: 1 } }));
    const { user, path } = await open(shop, "/");
    await user.upload(await screen.findByLabelText("Job file in"), file("{}"));
    await waitFor(() => expect(path()).toContain("/jobs/made"));
    expect(shop.sent<{ text: string }>("POST", "jobs/import")).toEqual([{ text: "{}" }]);
  });

  it("that is refused is told fault by fault, and the board stays", async () => {
    const faults = [
      { path: "runs[0].wire", message: 'invalid wire size: "thick"' },
      { path: "lamps[1].runId", message: 'no run with id "x" in this job' },
    ];
    const shop = new Shop().answers("POST jobs/import", () => ({
      ...{ status: 422, body: { message: "This is no job file.", faults } },
    }));
    const { user, path } = await open(shop, "/");
    await user.upload(await screen.findByLabelText("Job file in"), file("nonsense"));
    const dialog = await screen.findByRole("dialog", { name: "This file was not taken in" });
    expect(dialog).toHaveTextContent("This is no job file.");
    for (const fault of faults) {
      expect(dialog).toHaveTextContent(fault.path);
      expect(dialog).toHaveTextContent(fault.message);
    }
    await user.keyboard("{Escape}");
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(path()).toBe("/");
  });
});

describe("a list of parts or of vehicles", () => {
  it.each([
    ["/shelf", "CSV in", "parts/import"],
    ["/vehicles", "CSV in", "vehicles/import"],
  ])(
    "on %s that is refused is told by its lines, and nothing of it is there",
    async (at, label, door) => {
      const shop = new Shop().withParts(demoPart("pod-18"));
      shop.answers(`POST ${door}`, () => ({
        status: 422,
        body: {
          message: "Nothing was taken in.",
          faults: [{ path: "line 3", message: "invalid power: minus" }],
        },
      }));
      const { user } = await open(shop, at);
      await user.upload(await screen.findByLabelText(label), file("a,b", "list.csv"));
      const dialog = await screen.findByRole("dialog", { name: "This file was not taken in" });
      expect(dialog).toHaveTextContent("line 3");
      expect(dialog).toHaveTextContent("invalid power: minus");
      await user.keyboard("{Escape}");
      await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    },
  );
});

describe("ready-made harnesses", () => {
  it("are named, put between factory plugs and marked, told what is missing, and taken off", async () => {
    const shop = new Shop().withParts(demoPart("bar-40")).withJob("one", job());
    const { user } = await open(shop, "/jobs/one/circuit");
    await user.click(await screen.findByRole("button", { name: "Harnesses" }));
    const dialog = await screen.findByRole("dialog", { name: "Ready-made harnesses" });
    const { getByRole, getByLabelText, getByText } = within(dialog);
    expect(getByText("None on this job yet.")).toBeVisible();
    await user.click(getByRole("button", { name: "Harness" }));
    expect(getByLabelText("Name of Harness 1")).toHaveFocus();
    await rewrite(user, getByLabelText("Name of Harness 1"), "Trailer tee");
    expect(getByText("Lies beside the vehicle’s own loom.")).toBeVisible();
    await user.click(getByRole("button", { name: "Pair of plugs" }));
    const first = { name: "Plugs 1 of Trailer tee: between the halves of" };
    expect(getByRole("combobox", first)).toHaveFocus();
    await choose(user, getByRole("combobox", first), "Rear lamp plug");
    await rewrite(
      user,
      getByLabelText("Plugs 1 of Trailer tee: told from the others by"),
      "white sleeve",
    );
    expect(getByText(/^Goes between one connector of the vehicle, 2 plugs/)).toBeVisible();
    await saved();
    expect(shop.job("one").harnesses).toMatchObject([
      { name: "Trailer tee", joints: [{ connectorId: "rear", mark: "white sleeve" }] },
    ]);
    await user.click(getByRole("button", { name: "Remove Plugs 1 of Trailer tee" }));
    await saved();
    expect(shop.job("one").harnesses[0]!.joints).toEqual([]);
    await user.click(getByRole("button", { name: "Remove Trailer tee" }));
    await saved();
    expect(shop.job("one").harnesses).toEqual([]);
  });
});

describe("practices of a job", () => {
  it("are its own: school, drop and colours, refused where they cannot be", async () => {
    const shop = new Shop().withParts(demoPart("bar-40")).withJob("one", job());
    const { user } = await open(shop, "/jobs/one/circuit");
    await user.click(await screen.findByRole("button", { name: "Practices" }));
    const dialog = await screen.findByRole("dialog", { name: "Practices of this job" });
    await choose(
      user,
      within(dialog).getByRole("combobox", { name: "Fuse school" }),
      "next standard size above the draw",
    );
    await rewrite(user, within(dialog).getByRole("textbox", { name: "Allowed drop, %" }), "5");
    await rewrite(
      user,
      within(dialog).getByRole("textbox", { name: "Wire colour: grounds" }),
      "brown",
    );
    await saved();
    expect(shop.job("one").practices).toMatchObject({
      fuseSchool: "nextSize",
      dropTarget: 0.05,
      colours: [{ use: "ground", colour: "brown" }],
    });
    await rewrite(
      user,
      within(dialog).getByRole("textbox", { name: "Wire colour: feeds" }),
      "dusk",
    );
    expect(within(dialog).getByRole("textbox", { name: "Wire colour: feeds" })).toBeInvalid();
    await rewrite(user, within(dialog).getByRole("textbox", { name: "Allowed drop, %" }), "90");
    expect(within(dialog).getByRole("textbox", { name: "Allowed drop, %" })).toBeInvalid();
    await saved();
    expect(shop.job("one").practices.dropTarget).toBe(0.05);
    expect(shop.job("one").practices.colours).toHaveLength(1);
  });
});

describe("signing out", () => {
  it("ends the session and asks nothing where everything is saved", async () => {
    const shop = new Shop().answers("DELETE session", () => {
      shop.person = null;
      return { status: 204 };
    });
    const { user } = await open(shop, "/");
    await user.click(await screen.findByRole("button", { name: "Sign out" }));
    expect(await screen.findByLabelText("Password")).toBeVisible();
    expect(shop.sent("DELETE", "session")).toHaveLength(1);
  });

  it("asks first where something has not reached the server, and staying keeps it", async () => {
    const shop = new Shop().withJob("one", job());
    const { user } = await open(shop, "/jobs/one/intake");
    const field = await screen.findByRole("textbox", { name: "Customer" });
    shop.offline = true;
    await rewrite(user, field, "Scar Top Farm");
    await user.click(screen.getByRole("button", { name: "Sign out" }));
    const dialog = await screen.findByRole("dialog", { name: /not saved yet/ });
    await user.click(within(dialog).getByRole("button", { name: "Stay signed in" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(shop.sent("DELETE", "session")).toEqual([]);
    shop.offline = false;
  });

  it("that does not reach the server is told: one is signed in still", async () => {
    const shop = new Shop().answers("DELETE session", () => ({
      ...{ status: 503, body: { message: "The shop does not answer" } },
    }));
    const { user } = await open(shop, "/");
    await user.click(await screen.findByRole("button", { name: "Sign out" }));
    const dialog = await screen.findByRole("dialog");
    expect(within(dialog).getByRole("alert")).toHaveTextContent("you are still signed in");
  });
});

describe("closing up", () => {
  it("says what is unaccounted for, and that it closes when nothing is", async () => {
    const ledger = withLedger();
    const strip = ledger.strip.map((s) => ({ ...s, state: "back" as const }));
    const off = strip.map((s) => ({ ...s, state: "off" as const }));
    const fasteners = ledger.fasteners.map((f) => ({ ...f, back: f.count }));
    const plugs = ledger.plugs.map((p) => ({ ...p, parted: true, joined: true }));
    const missing = fasteners.map((f, i) => (i === 0 ? { ...f, back: f.count - 1 } : f));
    const first = await open(
      new Shop().withJob("one", { ...ledger, strip: off, plugs, fasteners: missing }),
      "/jobs/one/fit/strip",
    );
    expect(await screen.findByText("The ledger will not close yet:")).toBeVisible();
    first.unmount();
    await open(
      new Shop().withJob("two", { ...ledger, strip, plugs, fasteners }),
      "/jobs/two/fit/strip",
    );
    expect(
      await screen.findByText("Everything is accounted for: the ledger closes."),
    ).toBeVisible();
  });
});
