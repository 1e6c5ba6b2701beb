/** Before it goes: gates that are signed for, the clock at the lift, offers and what follows them. */
import { allOf, type Job, type StepId } from "@dragonet/core";
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { edited, jobWith } from "../../../packages/core/test/helpers.ts";
import { closePages, open, rewrite, saved } from "./page/open.tsx";
import { ANSA, Shop } from "./page/shop.ts";

afterEach(closePages);

const bar = (): Job => jobWith("bar-120", 1, allOf("switch"));

function counter(job: Job): Shop {
  return new Shop()
    .withJob("j", job)
    .answers("GET jobs/j/offers", () => ({ status: 200, body: [] }));
}

describe("the owner’s sheet", () => {
  it("shows pictures of the job as a whole with what is said of them, and is where they are taken", async () => {
    const photo = (id: string, stepId: StepId | "", caption: string) => ({ id, stepId, caption });
    const job = {
      ...bar(),
      photos: [photo("p1", "", "fuse behind the left panel")],
    };
    const { user, shop } = await open(counter(job), "/jobs/j/handOver");
    const pictures = within(await screen.findByRole("list", { name: "Pictures" }));
    expect(pictures.getAllByRole("img").map((img) => img.getAttribute("alt"))).toEqual([
      "fuse behind the left panel",
    ]);
    expect(pictures.getByText("fuse behind the left panel")).toBeVisible();
    const taking = within(screen.getByRole("region", { name: "Pictures for the owner" }));
    expect(taking.getByRole("button", { name: "Picture" })).toBeVisible();
    await user.click(taking.getByRole("img"));
    const dialog = within(await screen.findByRole("dialog", { name: "Picture" }));
    await rewrite(user, dialog.getByLabelText("Caption"), "fuse under the seat");
    await saved();
    expect(shop.job("j").photos[0]).toMatchObject({ caption: "fuse under the seat" });
    // The sheet is worked out anew, with its circuit.
    await waitFor(() => expect(screen.getByText("fuse under the seat")).toBeInTheDocument());
  });
});

describe("pictures that one may only look at", () => {
  it("are opened and read, and none is taken, renamed or removed", async () => {
    const photo = { id: "p1", stepId: "" as const, caption: "fuse behind the left panel" };
    const shop = counter({ ...bar(), photos: [photo] });
    shop.person = { ...ANSA, role: "viewer" };
    const { user } = await open(shop, "/jobs/j/handOver");
    const pictures = within(await screen.findByRole("region", { name: "Pictures for the owner" }));
    expect(pictures.queryByRole("button", { name: "Picture" })).toBeNull();
    await user.click(pictures.getByRole("img"));
    const dialog = within(await screen.findByRole("dialog", { name: "Picture" }));
    expect(dialog.getByText("fuse behind the left panel")).toBeVisible();
    expect(dialog.queryByRole("textbox")).toBeNull();
    expect(dialog.queryByRole("button", { name: "Remove picture" })).toBeNull();
  });
});

describe("a vehicle", () => {
  it("goes untested only under a name and a reason for each thing", async () => {
    const { user, shop } = await open(counter(bar()), "/jobs/j/handOver");
    const handOver = await screen.findByRole("button", { name: "Hand it over" });
    let signs = await screen.findAllByRole("button", { name: "Sign for it" });
    while (signs.length > 0) {
      const left = signs.length;
      expect(handOver).toBeDisabled();
      await user.click(signs[0]!);
      await user.click(screen.getByRole("button", { name: "Sign" }));
      expect(screen.getByText("Why does it go out so?")).toBeVisible();
      await rewrite(user, screen.getByLabelText("Reason"), "Tried in the field");
      await user.click(screen.getByRole("button", { name: "Sign" }));
      await waitFor(() =>
        expect(screen.queryAllByRole("button", { name: "Sign for it" })).toHaveLength(left - 1),
      );
      signs = screen.queryAllByRole("button", { name: "Sign for it" });
    }
    await user.click(handOver);
    await user.click(screen.getByRole("button", { name: "Sign" }));
    expect((await screen.findAllByText(new RegExp(`by ${ANSA.name}`))).length).toBeGreaterThan(0);
    await saved();
    expect(shop.job("j").checks.every((c) => c.by === ANSA.name)).toBe(true);
  });

  it("shows a viewer what is missing and lets nobody sign as one", async () => {
    const shop = counter(bar());
    shop.person = { ...ANSA, role: "viewer" };
    await open(shop, "/jobs/j/handOver");
    await screen.findByRole("heading", { name: "Before it goes" });
    expect(screen.queryByRole("button", { name: "Sign for it" })).toBeNull();
    const handOver = screen.queryByRole("button", { name: "Hand it over" });
    expect(handOver === null || (handOver as HTMLButtonElement).disabled).toBe(true);
  });
});

describe("time at the lift", () => {
  it("runs over a reload of the page and is written down when it is stopped", async () => {
    const { user, shop, unmount } = await open(counter(bar()), "/jobs/j/handOver");
    await user.click(await screen.findByRole("button", { name: "Start the clock" }));
    unmount();
    const again = await open(shop, "/jobs/j/handOver");
    await again.user.click(await screen.findByRole("button", { name: /^Stop: / }));
    await saved();
    expect(shop.job("j").worked).toMatchObject([{ by: ANSA.name, minutes: 0.1 }]);
  });

  it("is written down after, as a number of minutes", async () => {
    const { user, shop } = await open(counter(bar()), "/jobs/j/handOver");
    await rewrite(user, await screen.findByLabelText("Taken, min"), "45");
    await user.click(screen.getByRole("button", { name: "Write it down" }));
    expect(await screen.findByText(/45 min, Ansa Tordoff/)).toBeVisible();
    await saved();
    expect(shop.job("j").worked).toMatchObject([{ minutes: 45 }]);
  });
});

describe("a sheet as PDF", () => {
  it("is opened by its link once the job is saved, and else saved first", async () => {
    const opened: { address: unknown; worked: unknown }[] = [];
    const { user, shop } = await open(counter(bar()), "/jobs/j/handOver");
    const windows = jest.spyOn(window, "open").mockImplementation((address) => {
      opened.push({ address, worked: shop.job("j").worked.length });
      return null;
    });
    const pdf = await screen.findByRole("link", { name: "PDF" });
    expect(pdf).toHaveAttribute("href", "/api/jobs/j/owner-sheet.pdf");
    /** Presses the link; whether the browser would follow it. */
    const followed = (): boolean => {
      let follows = false;
      const end = (e: Event): void => {
        follows = !e.defaultPrevented;
        e.preventDefault();
      };
      window.addEventListener("click", end, { once: true });
      fireEvent.click(pdf);
      return follows;
    };
    expect(followed()).toBe(true);
    await rewrite(user, screen.getByLabelText("Taken, min"), "45");
    await user.click(screen.getByRole("button", { name: "Write it down" }));
    expect(followed()).toBe(false);
    await waitFor(() =>
      expect(opened).toEqual([{ address: "/api/jobs/j/owner-sheet.pdf", worked: 1 }]),
    );
    windows.mockRestore();
  });
});

describe("an offer", () => {
  it("is made once, its link shown once, and taken back", async () => {
    let made: object[] = [];
    const shop = counter(edited(bar())).answers("POST jobs/j/offers", () => {
      made = [
        {
          ...{ id: "o1", madeBy: ANSA.name, madeAt: new Date().toISOString(), state: "open" },
          ...{ validUntil: "2026-12-31", accepted: null, revoked: false, offer: null },
        },
      ];
      return { status: 201, body: { token: "t0ken" } };
    });
    const { user } = await open(shop, "/jobs/j/handOver");
    await user.click(await screen.findByRole("button", { name: "Make an offer" }));
    const dialog = within(await screen.findByRole("dialog", { name: "The customer’s link" }));
    expect(dialog.getByText(/\/offer\/t0ken/)).toBeVisible();
    expect(made).toHaveLength(1);
    await user.click(dialog.getByRole("button", { name: "Close" }));
    await waitFor(() => expect(screen.queryByText(/t0ken/)).toBeNull());
  });

  it("that the server refuses says why", async () => {
    const shop = counter(bar()).answers("POST jobs/j/offers", () => ({
      status: 409,
      body: { message: "A part has no price." },
    }));
    const { user } = await open(shop, "/jobs/j/handOver");
    await user.click(await screen.findByRole("button", { name: "Make an offer" }));
    expect(await screen.findByText("No offer made: A part has no price.")).toBeVisible();
  });

  it("is made of the job as the page shows it, also when the press comes before it is saved", async () => {
    let offered: Job | null = null;
    const shop: Shop = counter(bar()).answers("POST jobs/j/offers", () => {
      offered = shop.job("j");
      return { status: 201, body: { token: "t0ken" } };
    });
    const { user } = await open(shop, "/jobs/j/handOver");
    await rewrite(user, await screen.findByLabelText("Taken, min"), "45");
    await user.click(screen.getByRole("button", { name: "Write it down" }));
    expect(shop.job("j").worked).toEqual([]);
    await user.click(screen.getByRole("button", { name: "Make an offer" }));
    await screen.findByRole("dialog", { name: "The customer’s link" });
    expect(offered).toMatchObject({ worked: [{ minutes: 45 }] });
  });

  it("is not made of an older job while there is no way to the server", async () => {
    const { user, shop } = await open(counter(bar()), "/jobs/j/handOver");
    await rewrite(user, await screen.findByLabelText("Taken, min"), "45");
    shop.offline = true;
    await user.click(screen.getByRole("button", { name: "Write it down" }));
    await user.click(screen.getByRole("button", { name: "Make an offer" }));
    expect(
      await screen.findByText("No offer made: what the page shows is not saved yet"),
    ).toBeVisible();
    expect(shop.sent("POST", "jobs/j/offers")).toEqual([]);
    shop.offline = false;
  });
});

describe("an invoice", () => {
  const billing = {
    ...{ street: "Lane 1", postcode: "1", city: "Tarn", country: "DE", taxId: "DE1", email: "" },
    ...{ iban: "", dueDays: 14, untaxed: "" },
  };
  const kept = (number: string, cancels = "", cancelledBy = "") => ({
    ...{ id: `id-${number}`, jobId: "j", revision: 1, by: "Pim", cancelledBy },
    at: "2026-11-27T10:00:00Z",
    invoice: {
      ...{
        number,
        cancels,
        issued: "2026-11-27",
        due: "2026-12-11",
        title: "Bar",
        vehicle: "Quad",
      },
      ...{ currency: "EUR", taxShare: 0.2, lines: [], buyer: { ...billing, name: "Scar Farm" } },
      ...{ seller: billing, total: { netMinor: 10_000, taxMinor: 2000, grossMinor: 12_000 } },
    },
  });

  it("waits until an owner has said what invoices say of the shop", async () => {
    await open(counter(bar()), "/jobs/j/handOver");
    const section = within(await screen.findByRole("region", { name: "Invoices" }));
    expect(await section.findByRole("link", { name: "Settings" })).toBeVisible();
    expect(section.queryByRole("button", { name: "Make an invoice" })).toBeNull();
  });

  it("asks whom and by what, shows what is wrong at its field, and is made and taken back", async () => {
    const invoices: ReturnType<typeof kept>[] = [];
    const shop = counter(bar())
      .answers("GET jobs/j/invoices", () => ({
        status: 200,
        body: { invoices, buyer: null, billing },
      }))
      .answers<{ buyer: { country: string } }>("POST jobs/j/invoices", ({ buyer }) => {
        if (buyer.country !== "AT") {
          const faults = [{ path: "buyer.country", message: "must be two letters" }];
          return { status: 422, body: { message: "Not made.", faults } };
        }
        invoices.push(kept("2026-0001"));
        return { status: 201, body: kept("2026-0001") };
      })
      .answers("POST jobs/j/invoices/id-2026-0001/cancel", () => {
        invoices.splice(0, 1, kept("2026-0001", "", "2026-0002"), kept("2026-0002", "2026-0001"));
        return { status: 200, body: kept("2026-0002", "2026-0001") };
      });
    const { user } = await open(shop, "/jobs/j/handOver");
    await user.click(await screen.findByRole("button", { name: "Make an invoice" }));
    const dialog = within(await screen.findByRole("dialog", { name: "Make an invoice" }));
    // Most customers are of the shop's own country.
    expect(dialog.getByLabelText("Country")).toHaveValue("DE");
    await user.clear(dialog.getByLabelText("Name"));
    await user.type(dialog.getByLabelText("Name"), "Scar Farm");
    await user.clear(dialog.getByLabelText("Country"));
    await user.type(dialog.getByLabelText("Country"), "xx");
    await user.click(dialog.getByRole("button", { name: "Make the invoice" }));
    await waitFor(() => expect(dialog.getByLabelText("Country")).toBeInvalid());
    await user.clear(dialog.getByLabelText("Country"));
    await user.type(dialog.getByLabelText("Country"), "at");
    await user.click(dialog.getByRole("button", { name: "Make the invoice" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(shop.sent("POST", "jobs/j/invoices").at(-1)).toMatchObject({
      by: "planned",
      buyer: { name: "Scar Farm", country: "AT" },
    });
    const section = within(screen.getByRole("region", { name: "Invoices" }));
    expect(await section.findByText(/to Scar Farm, due Fri 11 Dec/)).toBeVisible();
    expect(section.getByRole("link", { name: "UBL" })).toHaveAttribute(
      "href",
      "/api/jobs/j/invoices/id-2026-0001/invoice.xml",
    );
    await user.click(section.getByRole("button", { name: "Take back 2026-0001" }));
    expect(await section.findByText("taken back by 2026-0002")).toBeVisible();
    expect(section.getByText(/takes back 2026-0001/)).toBeVisible();
    expect(section.queryByRole("button", { name: /^Take back/ })).toBeNull();
  });
});

describe("lots of parts", () => {
  it("are written down as the box says, refused without a number, and taken back", async () => {
    const { user, shop } = await open(counter(bar()), "/jobs/j/handOver");
    const form = await screen.findByRole("form", { name: "A lot that went in" });
    await user.click(within(form).getByRole("button", { name: "Add the lot" }));
    expect(await within(form).findByText("Which lot?")).toBeVisible();
    expect(shop.job("j").lots).toEqual([]);
    await user.type(within(form).getByLabelText("Lot or serial number"), " A-77 {Enter}");
    const list = await screen.findByRole("list", { name: "Lots that went in" });
    expect(await within(list).findByText("A-77")).toBeVisible();
    await saved();
    const [lot] = shop.job("j").lots;
    expect(lot).toMatchObject({ lot: "A-77", partId: shop.job("j").parts[0]!.id });
    expect(lot!.count).toBeGreaterThan(0);
    await user.click(within(list).getByRole("button", { name: /lot A-77/ }));
    await saved();
    expect(shop.job("j").lots).toEqual([]);
  });
});
