/** What a customer sees by a link, without a sign-in: read, chosen, accepted by name. */
import { screen, waitFor, within } from "@testing-library/react";
import { closePages, open, rewrite } from "./page/open.tsx";
import { Shop } from "./page/shop.ts";

afterEach(closePages);

const choice = (id: string, name: string, grossMinor: number) => ({
  ...{ id, name, means: id === "" ? [] : ["5 W less drawn"] },
  total: { netMinor: grossMinor - 1000, taxMinor: 1000, grossMinor },
  ...{ lowMinor: grossMinor - 500, highMinor: grossMinor + 500 },
});

const offer = {
  ...{ shop: "Tarn Lamp Works", title: "Two pods", vehicle: "A quad", customer: "A farm" },
  ...{ currency: "EUR", taxShare: 0.2, validUntil: "2026-12-31", work: ["Pods in front"] },
  choices: [choice("", "As planned", 24_900), choice("less", "Without the outlet", 19_900)],
};

function counter(state: string, accepted: object | null = null): Shop {
  let now = { offer, state, accepted };
  const shop = new Shop()
    .answers("GET offers/t0ken", () => ({ status: 200, body: now }))
    .answers("POST offers/t0ken/accept", (body: { choice: string; name: string }) => {
      now = { offer, state: "accepted", accepted: { ...body, by: body.name, at: "2026-05-04" } };
      return { status: 200, body: now };
    });
  shop.person = null;
  return shop;
}

describe("an offer", () => {
  it("says what is done and what each way costs, before anybody signs in", async () => {
    await open(counter("open"), "/offer/t0ken");
    expect(await screen.findByRole("heading", { level: 1, name: "Two pods" })).toBeVisible();
    expect(screen.getByText("Pods in front")).toBeVisible();
    const ways = within(screen.getByRole("radiogroup"));
    expect(ways.getAllByRole("radio")).toHaveLength(2);
    expect(ways.getByText(/249[.,]00/)).toBeVisible();
    expect(ways.getByText("5 W less drawn.")).toBeVisible();
    expect(screen.getByText("This offer holds until 2026-12-31.")).toBeVisible();
    expect(screen.queryByRole("navigation", { name: "Pages" })).toBeNull();
  });

  it("shows where the lamps go, and nothing of it where an offer of before has no picture", async () => {
    const lamp = (lampId: string, place: string) => ({
      ...{ lampId, label: `Pod ${lampId}`, light: "white", family: "lamp", place },
    });
    const shown = {
      kind: "quad",
      lamps: [lamp("1", "front"), lamp("2", "front"), lamp("3", "rear")],
    };
    const shop = counter("open").answers("GET offers/t0ken", () => ({
      status: 200,
      body: { offer: { ...offer, shown }, state: "open", accepted: null },
    }));
    const first = await open(shop, "/offer/t0ken");
    const front = await screen.findByRole("img", { name: /^front: / });
    expect(front).toHaveAccessibleName("front: Pod 1 100 %, Pod 2 100 %");
    expect(screen.getByRole("img", { name: "rear: Pod 3 100 %" })).toBeVisible();
    first.unmount();
    await open(counter("open"), "/offer/t0ken");
    expect(await screen.findByText("Pods in front")).toBeVisible();
    expect(screen.queryByRole("img")).toBeNull();
  });

  it("is accepted by a name, which is asked for", async () => {
    const { user, shop } = await open(counter("open"), "/offer/t0ken");
    await user.click((await screen.findAllByRole("radio"))[1]!);
    const accept = screen.getByRole("button", { name: "Accept: Without the outlet" });
    await user.click(accept);
    expect(screen.getByText(/Write your name/)).toBeVisible();
    expect(shop.sent("POST", "offers/t0ken/accept")).toEqual([]);
    await rewrite(user, screen.getByLabelText("Your name, as you sign"), "Fenna Hault");
    await user.click(accept);
    expect(await screen.findByText(/accepted Without the outlet on 2026-05-04/)).toBeVisible();
    expect(shop.sent("POST", "offers/t0ken/accept")).toEqual([
      { choice: "less", name: "Fenna Hault" },
    ]);
    expect(screen.queryByRole("button", { name: /^Accept/ })).toBeNull();
    expect(screen.queryAllByRole("radio")).toEqual([]);
  });

  it.each([
    ["revoked", /taken this offer back/],
    ["over", /This offer is over/],
  ])("that is %s says so and takes nothing", async (state, words) => {
    await open(counter(state), "/offer/t0ken");
    expect(await screen.findByText(words)).toBeVisible();
    expect(screen.queryByRole("button", { name: /^Accept/ })).toBeNull();
  });

  it("that somebody else accepted meanwhile is told, and shown as it is", async () => {
    const shop = counter("open").answers("POST offers/t0ken/accept", () => ({
      status: 409,
      body: { message: "It is accepted already." },
    }));
    const { user } = await open(shop, "/offer/t0ken");
    await rewrite(user, await screen.findByLabelText("Your name, as you sign"), "Fenna");
    await user.click(screen.getByRole("button", { name: /^Accept/ }));
    expect(await screen.findByText("It is accepted already.")).toBeVisible();
    await waitFor(() => expect(shop.sent("GET", "offers/t0ken").length).toBeGreaterThan(1));
  });

  it("by a link that leads to nothing says that", async () => {
    const shop = new Shop().answers("GET offers/t0ken", () => ({
      status: 404,
      body: { message: "this link leads to nothing" },
    }));
    await open(shop, "/offer/t0ken");
    expect(await screen.findByRole("alert")).toHaveTextContent("this link leads to nothing");
  });
});
