/** Settings as people use them: what is kept, what is refused, and what is said of it. */
import { checkPractices } from "@dragonet/contract";
import { DEFAULT_PRACTICES, type Practices } from "@dragonet/core";
import { screen, waitFor, within } from "@testing-library/react";
import { choose, closePages, open, rewrite } from "./page/open.tsx";
import { ANSA, Shop } from "./page/shop.ts";

afterEach(closePages);

const ok = (body: unknown) => () => ({ status: 200, body });

/** A shop whose practices are kept as the contract finds them right. */
function withPractices(): Shop {
  let practices: Practices = DEFAULT_PRACTICES;
  return new Shop()
    .answers("GET practices", () => ({ status: 200, body: practices }))
    .answers("PUT practices", (body: Practices) => {
      const checked = checkPractices(body);
      if (!checked.ok)
        return { status: 422, body: { message: "not right", faults: checked.faults } };
      practices = checked.value;
      return { status: 200, body: practices };
    });
}

describe("what one person likes", () => {
  it("is sent and shown at once", async () => {
    const shop = new Shop();
    const { user } = await open(shop, "/settings");
    await choose(user, await screen.findByRole("combobox", { name: "Light or dark" }), /night/);
    await waitFor(() =>
      expect(shop.sent("PUT", "session/preferences")).toEqual([
        { units: "metric", theme: "night" },
      ]),
    );
    expect(document.documentElement).toHaveAttribute("data-theme", "night");
    await choose(user, screen.getByRole("combobox", { name: "Units" }), /inches/);
    await waitFor(() =>
      expect(shop.sent("PUT", "session/preferences").at(-1)).toMatchObject({ units: "us" }),
    );
  });
});

describe("practices", () => {
  it("are kept one by one, percents as shares", async () => {
    const shop = withPractices();
    const { user } = await open(shop, "/settings");
    await choose(user, await screen.findByRole("combobox", { name: "Fuse school" }), /^next/);
    await rewrite(user, screen.getByLabelText("Allowed drop, %"), "2.5");
    await rewrite(user, screen.getByLabelText("Loaded wires in a bundle, wires"), "9");
    await rewrite(user, screen.getByLabelText("An hour’s work, an hour"), "72.50");
    await rewrite(user, screen.getByLabelText("Wire colour: grounds"), "black");
    await waitFor(() => expect(shop.sent("PUT", "practices").length).toBe(5));
    const [school, drop, bundle, hour, colour] = shop.sent<Practices>("PUT", "practices");
    expect(school?.fuseSchool).toBe("nextSize");
    expect(drop?.dropTarget).toBeCloseTo(0.025, 9);
    expect(bundle?.bundledWires).toBe(9);
    expect(hour?.tariff.hourMinor).toBe(7250);
    expect(colour?.colours).toContainEqual({ use: "ground", colour: "black" });
    // The last one takes nothing back of those before it.
    expect(colour).toMatchObject({ fuseSchool: "nextSize", bundledWires: 9 });
  });

  it("refuse numbers out of their bounds and keep the old ones", async () => {
    const shop = withPractices();
    const { user } = await open(shop, "/settings");
    const drop = await screen.findByLabelText("Allowed drop, %");
    await rewrite(user, drop, "45");
    expect(drop).toBeInvalid();
    await rewrite(user, screen.getByLabelText("Ambient, °C air"), "warm");
    expect(screen.getByLabelText("Ambient, °C air")).toBeInvalid();
    expect(shop.sent("PUT", "practices")).toEqual([]);
  });

  it("keep an hour's price when its currency has other small coins", async () => {
    const shop = withPractices();
    const { user } = await open(shop, "/settings");
    const currency = await screen.findByRole("combobox", { name: "Currency" });
    await choose(user, currency, "JPY");
    await waitFor(() => expect(shop.sent("PUT", "practices").length).toBe(1));
    const [sent] = shop.sent<Practices>("PUT", "practices");
    const before = DEFAULT_PRACTICES.tariff.hourMinor / 100;
    expect(sent?.tariff).toMatchObject({ currency: "JPY", hourMinor: Math.round(before) });
  });

  it("are read by installers and changed by owners", async () => {
    const shop = withPractices();
    shop.person = { ...ANSA, role: "installer" };
    await open(shop, "/settings");
    expect(await screen.findByRole("combobox", { name: "Fuse school" })).toBeDisabled();
    expect(screen.getByLabelText("Allowed drop, %")).toBeDisabled();
    expect(screen.queryByRole("heading", { name: "People" })).toBeNull();
    expect(screen.queryByRole("heading", { name: "Bin" })).toBeNull();
  });
});

describe("where one is signed in", () => {
  const session = (id: string, current: boolean) => ({
    ...{ id, current, seenAt: "2026-05-04T08:00:00Z", address: "10.0.0.7" },
    agent: "Mozilla/5.0 (Linux; Android 14) Something",
  });

  it("ends elsewhere, never here", async () => {
    const shop = new Shop()
      .answers("GET session/mine", ok([session("here", true), session("there", false)]))
      .answers("DELETE session/mine/there", ok({}));
    const { user } = await open(shop, "/settings");
    await user.click(await screen.findByRole("button", { name: "End" }));
    await waitFor(() => expect(shop.sent("DELETE", "session/mine/there").length).toBe(1));
    expect(screen.getAllByText("Linux")).toHaveLength(2);
    expect(screen.getByText("this one")).toBeVisible();
  });

  it("gives a phone a code, and says when no phone can reach the address", async () => {
    const until = new Date(Date.now() + 60_000).toISOString();
    const shop = new Shop().answers("POST session/code", ok({ code: "abcdefghij0123", until }));
    const { user } = await open(shop, "/settings");
    await user.click(await screen.findByRole("button", { name: "Show a code" }));
    expect(await screen.findByRole("img", { name: /phone/ })).toBeVisible();
    expect(screen.getByText(/which no phone can reach/)).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Hide it" }));
    expect(screen.queryByRole("img", { name: /phone/ })).toBeNull();
  });

  it("changes the password when both are said and the server agrees", async () => {
    const shop = new Shop().answers("PUT session/password", ({ current }: { current: string }) =>
      current === "right-one-now"
        ? { status: 204 }
        : { status: 422, body: { message: "That is not the password you have now." } },
    );
    const { user } = await open(shop, "/settings");
    const press = await screen.findByRole("button", { name: "Change password" });
    await user.click(press);
    expect(await screen.findByText(/you have now is asked for/)).toBeVisible();
    await user.type(screen.getByLabelText("Password now"), "wrong-one-now");
    await user.type(screen.getByLabelText("New password"), "another-long-word");
    await user.click(press);
    expect(await screen.findByText("That is not the password you have now.")).toBeVisible();
    await user.clear(screen.getByLabelText("Password now"));
    await user.type(screen.getByLabelText("Password now"), "right-one-now");
    await user.click(press);
    expect(await screen.findByText(/New password kept/)).toBeVisible();
    expect(screen.getByLabelText("New password")).toHaveValue("");
  });
});

describe("the shop's own things", () => {
  it("staying signed in has what is set among its choices, whatever it is", async () => {
    let limits = { idleHours: 5, sessionDays: 30 };
    const shop = new Shop()
      .answers("GET settings", () => ({ status: 200, body: limits }))
      .answers("PUT settings", (body: typeof limits) => {
        limits = body;
        return { status: 200, body };
      });
    const { user } = await open(shop, "/settings");
    const idle = await screen.findByRole("combobox", { name: "Longest time unused" });
    expect(idle).toHaveTextContent("5 hours");
    await choose(user, idle, "1 hour");
    await choose(user, screen.getByRole("combobox", { name: "Longest session" }), "7 days");
    await waitFor(() =>
      expect(shop.sent("PUT", "settings")).toEqual([
        { idleHours: 1, sessionDays: 30 },
        { idleHours: 1, sessionDays: 7 },
      ]),
    );
  });

  it("jobs come out of the bin", async () => {
    const binned = {
      ...{ id: "j1", title: "Two pods", customer: "Farm", removedBy: "Pim Okkerse" },
      removedAt: "2026-05-04T08:00:00Z",
    };
    let bin = [binned];
    const shop = new Shop()
      .answers("GET jobs/bin", () => ({ status: 200, body: bin }))
      .answers("POST jobs/j1/take-out", () => {
        bin = [];
        return { status: 200, body: {} };
      });
    const { user } = await open(shop, "/settings");
    await user.click(await screen.findByRole("button", { name: "Take out" }));
    expect(await screen.findByText("The bin is empty.")).toBeVisible();
  });

  it("a whole archive is taken in, and told fault by fault where it is broken", async () => {
    let broken = true;
    const shop = new Shop().answers("POST shop/archive", () =>
      broken
        ? {
            status: 422,
            body: {
              message: "The archive is not right.",
              faults: [{ path: "jobs/a.json", message: "needs a title" }],
            },
          }
        : { status: 200, body: { jobs: 2, there: 1, parts: 3, vehicles: 4 } },
    );
    const { user } = await open(shop, "/settings");
    const file = new File(["zip"], "shop.zip", { type: "application/zip" });
    const input = await screen.findByLabelText("Archive in");
    await user.upload(input, file);
    expect(await screen.findByText("The archive is not right.")).toBeVisible();
    expect(screen.getByText("jobs/a.json")).toBeVisible();
    broken = false;
    await user.upload(input, file);
    expect(
      await screen.findByText(/2 jobs, 3 parts and 4 vehicles taken in; 1 jobs/),
    ).toBeVisible();
  });

  it("the record is looked through by words, and says where none has them", async () => {
    const line = { id: 3, at: "2026-11-26T10:00:00Z", who: "Pim", action: "signed in", about: "" };
    const shop = new Shop().answers("GET audit", (_: unknown, path) => {
      const q = new URL(path, "http://x").searchParams.get("q") ?? "";
      const body = [line, { ...line, id: 2, action: "took out a file" }];
      return { status: 200, body: body.filter((entry) => entry.action.includes(q)) };
    });
    const { user } = await open(shop, "/settings");
    const record = within(await screen.findByRole("list", { name: "Record" }));
    expect(await record.findAllByRole("listitem")).toHaveLength(2);
    const search = screen.getByRole("searchbox", { name: "Search what happened" });
    await user.type(search, "file");
    await waitFor(() => expect(record.getAllByRole("listitem")).toHaveLength(1));
    expect(record.getByRole("listitem")).toHaveTextContent("took out a file");
    expect(shop.asked.map((a) => a.path)).toContain("audit?q=file");
    await user.type(search, "x");
    expect(await screen.findByText("Nothing has “filex”.")).toBeVisible();
    await user.clear(search);
    await waitFor(() => expect(record.getAllByRole("listitem")).toHaveLength(2));
  });

  it("the record goes on page by page until it ends", async () => {
    const entry = (id: number) => ({
      ...{ id, who: "Ansa Tordoff", action: "signed in", about: `no. ${id}` },
      at: "2026-05-04T08:00:00Z",
    });
    const shop = new Shop().answers("GET audit", (_: unknown, path) => ({
      status: 200,
      body: path.includes("before")
        ? [entry(1)]
        : Array.from({ length: 30 }, (_, i) => entry(31 - i)),
    }));
    const { user } = await open(shop, "/settings");
    const record = await screen.findByRole("list", { name: "Record" });
    await waitFor(() => expect(within(record).getAllByRole("listitem")).toHaveLength(30));
    await user.click(screen.getByRole("button", { name: "Older" }));
    await waitFor(() => expect(within(record).getAllByRole("listitem")).toHaveLength(31));
    expect(shop.asked.map((a) => a.path)).toContain("audit?before=2");
    expect(screen.queryByRole("button", { name: "Older" })).toBeNull();
  });
});

describe("what invoices say of the shop", () => {
  it("is written down once, told field by field where it cannot be, and kept", async () => {
    const shop = new Shop().answers<{ iban: string }>("PUT invoices/billing", ({ iban }) =>
      iban === "wrong"
        ? {
            status: 422,
            body: { message: "Not kept.", faults: [{ path: "iban", message: "check its digits" }] },
          }
        : { status: 204 },
    );
    const { user } = await open(shop, "/settings");
    const section = within(await screen.findByRole("region", { name: "Invoices" }));
    await user.type(await section.findByLabelText("Street"), "Lane 1");
    await user.type(section.getByLabelText("Town"), "Tarn");
    await user.type(section.getByLabelText("Country"), "de");
    await user.type(section.getByLabelText("Account (IBAN)"), "wrong");
    await user.click(section.getByRole("button", { name: "Save for invoices" }));
    expect(await section.findByText("check its digits")).toBeVisible();
    await user.clear(section.getByLabelText("Account (IBAN)"));
    await user.click(section.getByRole("button", { name: "Save for invoices" }));
    expect(await screen.findByText("Saved")).toBeVisible();
    expect(shop.sent("PUT", "invoices/billing").at(-1)).toMatchObject({
      ...{ street: "Lane 1", city: "Tarn", country: "DE", iban: "", dueDays: 14 },
    });
  });
});
