/** Pictures: taken at the lift, kept in the browser until the server has them. */
import { createJob, asId, type StepId } from "@dragonet/core";
import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import { keepWaiting, sendWaiting, waitingPhoto } from "../src/photos/queue.ts";
import { newVehicle } from "../src/vehicles/begin/newVehicle.ts";
import { closePages, open, rewrite, saved } from "./page/open.tsx";
import { Shop } from "./page/shop.ts";

afterEach(closePages);

const SEAT = {
  ...{ id: asId<StepId>("seat"), name: "rider seat", after: [], state: "on" as const },
  ...{ hold: false, paint: false, catches: "", forget: "", estimateMin: 0, tookMin: 0, covers: [] },
};
const picture = (text = "pixels") => new Blob([text], { type: "image/jpeg" });

/** What a browser draws anew: here a picture of its own size, and nothing of the camera's. */
function drawing(width: number, height: number) {
  const drawn: { width: number; height: number; type: string }[] = [];
  class Canvas {
    constructor(
      readonly width: number,
      readonly height: number,
    ) {}
    getContext() {
      return { drawImage: () => undefined };
    }
    convertToBlob({ type }: { type: string }): Promise<Blob> {
      drawn.push({ width: this.width, height: this.height, type });
      return Promise.resolve(new Blob(["small"], { type }));
    }
  }
  Object.assign(globalThis, {
    createImageBitmap: (file: Blob) =>
      file.size === 0
        ? Promise.reject(new Error("no picture"))
        : Promise.resolve({ width, height, close: () => undefined }),
    OffscreenCanvas: Canvas,
  });
  return drawn;
}

const openSeat = async (shop: Shop) => {
  shop.answers("GET jobs/j/ledger-before", () => ({ status: 200, body: null }));
  const job = { ...createJob("Strip", "", newVehicle()), strip: [SEAT] };
  const opened = await open(shop.withJob("j", job), "/jobs/j/fit/strip");
  await opened.user.click(await screen.findByRole("button", { name: /rider seat/ }));
  return opened;
};
const takePicture = (file: File): void => {
  fireEvent.change(screen.getByLabelText("Picture", { selector: "input" }), {
    target: { files: [file] },
  });
};
/** Every picture that the server was sent. */
const sent = (shop: Shop) =>
  shop.asked.filter(({ method, path }) => method === "PUT" && path.startsWith("jobs/j/photos/"));

describe("a picture of a step", () => {
  it("is made smaller, kept, sent, captioned and taken off again", async () => {
    const drawn = drawing(4000, 3000);
    const shop = new Shop().anyPhoto();
    const { user } = await openSeat(shop);
    takePicture(new File(["raw"], "seat.jpg", { type: "image/jpeg" }));
    await waitFor(() => expect(sent(shop)).toHaveLength(1));
    expect(drawn).toEqual([{ width: 1600, height: 1200, type: "image/jpeg" }]);
    await saved();
    const [photo] = shop.job("j").photos;
    expect(photo).toMatchObject({ stepId: "seat", caption: "" });
    expect(sent(shop)[0]!.path).toBe(`jobs/j/photos/${photo!.id}`);
    await user.click(screen.getByRole("img", { name: "picture without a caption" }));
    const dialog = within(await screen.findByRole("dialog", { name: "Picture" }));
    await rewrite(user, dialog.getByLabelText("Caption"), "how the strap goes");
    await saved();
    expect(shop.job("j").photos[0]!.caption).toBe("how the strap goes");
    await user.click(dialog.getByRole("button", { name: "Remove picture" }));
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
    await saved();
    expect(shop.job("j").photos).toEqual([]);
  });

  it("that is none is refused in words, and nothing is kept of it", async () => {
    drawing(10, 10);
    const shop = new Shop();
    await openSeat(shop);
    takePicture(new File(["text"], "notes.txt", { type: "text/plain" }));
    expect(await screen.findByText(/^Not taken: .*/)).toBeVisible();
    takePicture(new File([], "empty.jpg", { type: "image/jpeg" }));
    expect((await screen.findAllByText(/^Not taken: /)).length).toBeGreaterThan(0);
    await saved();
    expect(shop.job("j").photos).toEqual([]);
    expect(sent(shop)).toEqual([]);
  });
});

describe("pictures that wait", () => {
  const waiting = async (answer: () => { status: number; body?: unknown }) => {
    const shop = new Shop();
    shop.anyPhoto(answer);
    shop.install();
    await keepWaiting("j", "one", picture("1"));
    await keepWaiting("j", "two", picture("2"));
    return shop;
  };

  it("go one after the other, and are let go once the server has them", async () => {
    const shop = await waiting(() => ({ status: 204 }));
    const [first, again] = [sendWaiting(), sendWaiting()];
    expect(again).toBe(first);
    expect(await first).toEqual([]);
    expect(sent(shop).map((s) => s.path)).toEqual(["jobs/j/photos/one", "jobs/j/photos/two"]);
    expect(await waitingPhoto("j", "one")).toBeUndefined();
  });

  it.each([500, 503, 401, 429])("go on waiting where the answer is %d", async (status) => {
    const shop = await waiting(() => ({ status, body: { message: "later" } }));
    expect(await sendWaiting()).toEqual([]);
    expect(sent(shop)).toHaveLength(2);
    expect(await waitingPhoto("j", "one")).toBeDefined();
    expect(await waitingPhoto("j", "two")).toBeDefined();
  });

  it.each([404, 413, 422])("are let go and told where the answer is %d", async (status) => {
    await waiting(() => ({ status, body: { message: "no such job" } }));
    expect(await sendWaiting()).toEqual([
      { key: "j/one", message: "no such job" },
      { key: "j/two", message: "no such job" },
    ]);
    expect(await waitingPhoto("j", "one")).toBeUndefined();
  });

  it("stop at the first that finds no way, without a network", async () => {
    const shop = await waiting(() => ({ status: 204 }));
    shop.offline = true;
    expect(await sendWaiting()).toEqual([]);
    expect(sent(shop).length).toBeLessThan(2);
    expect(await waitingPhoto("j", "two")).toBeDefined();
  });
});
