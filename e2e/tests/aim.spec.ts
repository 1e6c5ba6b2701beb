import { expect, test } from "@playwright/test";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { openJob, saved, signIn } from "./shop.ts";

test("a mark is moved by key, the light follows, and the best aim is proposed", async ({
  page,
}) => {
  await signIn(page);
  await openJob(page, "Lambing-watch bar and pods");
  await page.keyboard.press("7");
  const far = page.getByText(/Somebody in grey gets 3 lx as far as/).locator("b");
  await expect(far).toHaveText(/^\d+ m$/);
  const metres = async (): Promise<number> => Number.parseInt((await far.textContent()) ?? "0", 10);
  const before = await metres();
  // The vehicle's own lamps beside it, on the same scale: the road as it was before.
  await page.getByRole("button", { name: /vehicle.s own lamps/ }).click();
  await expect(page.getByRole("region", { name: "Light Before: road" })).toBeVisible();
  await expect(far).toHaveCount(2);
  await page.getByRole("button", { name: /vehicle.s own lamps/ }).click();
  await expect(far).toHaveCount(1);
  const mark = page.getByRole("slider", { name: "Mark of 40 W light bar" });
  await mark.focus();
  for (let i = 0; i < 12; i += 1) await page.keyboard.press("ArrowDown");
  await expect.poll(metres).toBeLessThan(before);
  // What blinds while it stays lit may go out with the high beam: then nobody has to bear it.
  await expect(page.getByText("above the 250 cd they may")).toBeVisible();
  await page.getByRole("button", { name: "Find the best aim" }).click();
  await expect(page.getByRole("status").filter({ hasText: /^None: / })).toBeVisible();
  await page.getByLabel("Most that an oncoming eye may get").fill("4000");
  await page.getByLabel("Most that an oncoming eye may get").press("Enter");
  await page.getByRole("button", { name: "Find the best aim" }).click();
  await page.getByRole("button", { name: "Take it", exact: true }).click();
  await expect(page.getByText("within the limit")).toBeVisible();
  await saved(page);
});

test("the wall sheet has on paper what the page says", async ({ page }) => {
  await signIn(page);
  const base = await openJob(page, "Aux pods, brake flasher");
  await page.keyboard.press("7");
  await expect(page.getByRole("heading", { name: "Marks on the wall" })).toBeVisible();
  const said = await page.getByRole("main").innerText();
  const height = /(\d+\s?mm)\s+up/.exec(said)?.[1]?.replace(/\s/g, " ") ?? "";
  expect(height).not.toBe("");
  const answer = await page.request.get(`/api${base}/wall-sheet.pdf`);
  const document = await getDocument({ data: new Uint8Array(await answer.body()) }).promise;
  expect(document.numPages).toBe(1);
  const { items } = await (await document.getPage(1)).getTextContent();
  const words = items.map((item) => ("str" in item ? item.str : "")).join(" ");
  const text = words.replace(/\s+/g, " ");
  expect(text).toContain(`${height} up`);
  expect(text).toContain("Looked at before, signed by");
});
