/** The door: who comes in, who does not, and what is said to them. */
import { screen, waitFor } from "@testing-library/react";
import { sessionEnds } from "../src/base/api.ts";
import { sayFailures } from "../src/app/sayFailures.ts";
import { closePages, open } from "./page/open.tsx";
import { ANSA, Shop } from "./page/shop.ts";

afterEach(closePages);

const field = (name: string): HTMLElement => screen.getByLabelText(name);

describe("signing in", () => {
  it("asks for both words before it asks the server", async () => {
    const shop = new Shop();
    shop.person = null;
    const { user } = await open(shop, "/shelf");
    await user.click(await screen.findByRole("button", { name: "Sign in" }));
    expect(await screen.findByText("Who is it?")).toHaveAttribute("role", "alert");
    expect(screen.getByText("The password is empty.")).toBeVisible();
    expect(field("Sign-in")).toBeInvalid();
    expect(shop.sent("POST", "session")).toEqual([]);
  });

  it("says what the server says, and opens the page that was asked for", async () => {
    const shop = new Shop();
    shop.person = null;
    shop.answers("POST session", ({ password }: { password: string }) => {
      if (password !== "lamp") return { status: 401, body: { message: "Not these two words." } };
      shop.person = ANSA;
      return { status: 200, body: {} };
    });
    const { user, path } = await open(shop, "/shelf");
    await user.type(await screen.findByLabelText("Sign-in"), "ansa");
    await user.type(field("Password"), "lump{Enter}");
    expect(await screen.findByRole("alert")).toHaveTextContent("Not these two words.");
    await user.clear(field("Password"));
    await user.type(field("Password"), "lamp{Enter}");
    expect(await screen.findByRole("navigation", { name: "Pages" })).toBeVisible();
    expect(path()).toBe("/shelf");
    expect(shop.sent("POST", "session").at(-1)).toEqual({ signIn: "ansa", password: "lamp" });
  });

  it("follows a code only by a press, and takes it out of the address", async () => {
    const shop = new Shop();
    shop.person = null;
    shop.answers("POST session/by-code", () => {
      shop.person = ANSA;
      return { status: 200, body: {} };
    });
    window.history.replaceState(null, "", "/#code=0123456789abcdef");
    const { user } = await open(shop, "/");
    const press = await screen.findByRole("button", { name: "Sign in by the code" });
    expect(shop.sent("POST", "session/by-code")).toEqual([]);
    await user.click(press);
    expect(await screen.findByRole("navigation", { name: "Pages" })).toBeVisible();
    expect(shop.sent("POST", "session/by-code")).toEqual([{ code: "0123456789abcdef" }]);
    expect(window.location.hash).toBe("");
  });

  it("takes nothing for a code that is none", async () => {
    const shop = new Shop();
    shop.person = null;
    window.history.replaceState(null, "", "/#code=no");
    await open(shop, "/");
    await screen.findByRole("button", { name: "Sign in" });
    expect(screen.queryByRole("button", { name: "Sign in by the code" })).toBeNull();
    window.history.replaceState(null, "", "/");
  });

  it("is asked for again where an answer says that the session has ended", async () => {
    const shop = new Shop();
    await open(shop, "/settings");
    await screen.findByRole("navigation", { name: "Pages" });
    shop.person = null;
    sessionEnds.dispatchEvent(new Event("end"));
    expect(await screen.findByRole("button", { name: "Sign in" })).toBeVisible();
  });
});

describe("a shop without anybody", () => {
  const empty = (): Shop => {
    const shop = new Shop();
    shop.person = null;
    return shop.answers("GET session", () => ({
      status: 200,
      body: { person: shop.person, shop: "", needsFirstOwner: shop.person === null },
    }));
  };

  it("tells each field what is wrong with it", async () => {
    const shop = empty();
    const { user } = await open(shop, "/");
    await user.type(await screen.findByLabelText("Sign-in"), "Ansa T");
    await user.type(field("Password"), "short");
    await user.click(screen.getByRole("button", { name: "Open the shop" }));
    expect(await screen.findByText("The shop needs a name.")).toBeVisible();
    expect(screen.getByText("Your name is empty.")).toBeVisible();
    expect(screen.getByText(/^Needs 2 to 40/)).toBeVisible();
    expect(screen.getByText("Needs 10 characters or more.")).toBeVisible();
    expect(shop.sent("POST", "session/first-owner")).toEqual([]);
  });

  it("sends the word of its address along, and lets the owner in", async () => {
    const shop = empty();
    shop.answers("POST session/first-owner", () => {
      shop.person = ANSA;
      return { status: 201, body: {} };
    });
    window.history.replaceState(null, "", "/?first=once");
    const { user } = await open(shop, "/settings");
    await user.type(await screen.findByLabelText("Shop"), "Tarn Lamp Works");
    await user.type(field("Your name"), "Ansa Tordoff");
    await user.type(field("Sign-in"), "ansa");
    await user.type(field("Password"), "lamp-and-loom");
    await user.click(screen.getByRole("button", { name: "Open the shop" }));
    await screen.findByRole("navigation", { name: "Pages" });
    expect(shop.sent("POST", "session/first-owner")).toEqual([
      {
        ...{ shop: "Tarn Lamp Works", name: "Ansa Tordoff", signIn: "ansa" },
        ...{ password: "lamp-and-loom", role: "owner", word: "once" },
      },
    ]);
    await waitFor(() => expect(window.location.search).toBe(""));
  });
});

describe("pages that are not there", () => {
  it("say so and lead back", async () => {
    await open(new Shop(), "/nowhere");
    expect(await screen.findByText("There is no such page.")).toBeVisible();
  });

  it("say what the server said of a job that is gone, and ask again on a press", async () => {
    const shop = new Shop();
    const { user } = await open(shop, "/jobs/gone/intake");
    expect(await screen.findByRole("alert")).toHaveTextContent("no such job");
    await user.click(screen.getByRole("button", { name: "Try again" }));
    await waitFor(() => expect(shop.sent("GET", "jobs/gone").length).toBe(2));
  });
});

describe("a press that fails where nobody waits for it", () => {
  it("is said, whichever page it was on", async () => {
    await open(new Shop(), "/settings");
    sayFailures();
    const failed = Object.assign(new Event("unhandledrejection"), {
      reason: new Error("the log cannot be read"),
    });
    window.dispatchEvent(failed);
    expect(await screen.findByText("Not done: the log cannot be read")).toBeInTheDocument();
  });
});
