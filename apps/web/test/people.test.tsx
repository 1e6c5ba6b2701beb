/** Who may sign in, as an owner adds, changes and closes them. */
import { screen, waitFor, within } from "@testing-library/react";
import { choose, closePages, open } from "./page/open.tsx";
import { ANSA, Shop } from "./page/shop.ts";

afterEach(closePages);

const ok = (body: unknown) => () => ({ status: 200, body });

const PIM = { id: "pim", name: "Pim Okkerse", signIn: "pim", role: "installer", active: true };

describe("people", () => {
  it("are added with a role, when their words are right", async () => {
    const rows = [PIM];
    const shop = new Shop()
      .answers("GET people", () => ({ status: 200, body: rows }))
      .answers("POST people", (body: { name: string; signIn: string; role: string }) => {
        if (body.signIn === "pim") return { status: 409, body: { message: "pim is taken." } };
        rows.push({ ...PIM, ...body, id: body.signIn });
        return { status: 201, body: {} };
      });
    const { user } = await open(shop, "/settings");
    await user.click(await screen.findByRole("button", { name: "New person" }));
    const dialog = within(await screen.findByRole("dialog", { name: "New person" }));
    await user.click(dialog.getByRole("button", { name: "Add person" }));
    expect(await dialog.findByText("The name is empty.")).toBeVisible();
    expect(shop.sent("POST", "people")).toEqual([]);
    await user.type(dialog.getByLabelText("Name"), "Wren Askew");
    await user.type(dialog.getByLabelText("Sign-in"), "pim");
    await user.type(dialog.getByLabelText("Password"), "lamp-and-loom");
    await choose(user, dialog.getByRole("combobox", { name: "Role" }), /^viewer/);
    await user.click(dialog.getByRole("button", { name: "Add person" }));
    expect(await dialog.findByText("pim is taken.")).toBeVisible();
    await user.clear(dialog.getByLabelText("Sign-in"));
    await user.type(dialog.getByLabelText("Sign-in"), "wren");
    await user.click(dialog.getByRole("button", { name: "Add person" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    expect(await screen.findByText("Wren Askew")).toBeVisible();
    expect(shop.sent("POST", "people").at(-1)).toMatchObject({ signIn: "wren", role: "viewer" });
    expect(screen.getByRole("button", { name: "New person" })).toHaveFocus();
  });

  it("come fifty at a time, and what is changed of a later one is asked for again", async () => {
    const many = Array.from({ length: 53 }, (_, n) => ({
      ...PIM,
      ...{ id: `hand-${n}`, name: `Hand ${n}`, signIn: `hand${n}` },
    }));
    const shop = new Shop()
      .answers("GET people", ok(many.slice(0, 50)))
      .answers("GET people?after=hand-49", ok(many.slice(50)))
      .answers("PATCH people/hand-52", ok({}));
    const { user } = await open(shop, "/settings");
    expect(await screen.findByText("Hand 49")).toBeVisible();
    expect(screen.queryByText("Hand 50")).toBeNull();
    await user.click(screen.getByRole("button", { name: "More people" }));
    expect(await screen.findByText("Hand 52")).toBeVisible();
    expect(screen.queryByRole("button", { name: "More people" })).toBeNull();
    await user.click(screen.getAllByRole("button", { name: "Close sign-in" }).at(-1)!);
    await waitFor(() => expect(shop.sent("PATCH", "people/hand-52")).toEqual([{ active: false }]));
    expect(screen.getByText("Hand 52")).toBeVisible();
  });

  it("change their role and lose their sign-in, but not one's own", async () => {
    const shop = new Shop()
      .answers("GET people", ok([{ ...PIM, id: ANSA.id, name: ANSA.name, role: "owner" }, PIM]))
      .answers("PATCH people/pim", ok({}));
    const { user } = await open(shop, "/settings");
    await choose(
      user,
      await screen.findByRole("combobox", { name: "Role of Pim Okkerse" }),
      /^owner/,
    );
    const close = screen.getAllByRole("button", { name: "Close sign-in" });
    expect(close).toHaveLength(1);
    await user.click(close[0]!);
    await waitFor(() =>
      expect(shop.sent("PATCH", "people/pim")).toEqual([{ role: "owner" }, { active: false }]),
    );
  });

  it("are told what the server refused", async () => {
    const shop = new Shop().answers("GET people", ok([PIM])).answers("PATCH people/pim", () => ({
      status: 409,
      body: { message: "The last owner stays one." },
    }));
    const { user } = await open(shop, "/settings");
    await user.click(await screen.findByRole("button", { name: "Close sign-in" }));
    expect(await screen.findByText("The last owner stays one.")).toBeVisible();
  });
});
