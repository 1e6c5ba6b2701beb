import { expect } from "@playwright/test";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { BAR_AND_PODS, FLASHING_BRAKE } from "./jobs.ts";
import { test } from "./quiet.ts";
import { openJob, signIn } from "./shop.ts";

test("the wiring sheet's PDF says what the page says", async ({ page }) => {
  await signIn(page);
  await openJob(page, FLASHING_BRAKE);
  const id = /jobs\/([^/]+)/.exec(page.url())![1]!;
  const answer = await page.request.get(`/api/jobs/${id}/wiring-sheet.pdf`);
  const pdf = await getDocument({ data: new Uint8Array(await answer.body()), verbosity: 0 })
    .promise;
  const pages = await Promise.all(
    Array.from({ length: pdf.numPages }, async (_, i) => {
      const content = await (await pdf.getPage(i + 1)).getTextContent();
      return content.items.map((item) => ("str" in item ? item.str : "")).join(" ");
    }),
  );
  const text = pages.join(" ").replace(/\s+/g, " ");
  for (const words of [
    "Aux pods",
    "Ostrel Petrel 650",
    "7.5 A fuse",
    "18 AWG",
    "own switch and high beam",
    "to spare",
    "Battery negative off first",
    "qualified person have the last word",
  ]) {
    expect(text.toLowerCase()).toContain(words.toLowerCase());
  }
});

test("the printed page drops what is not for paper", async ({ page }) => {
  await signIn(page);
  await openJob(page, BAR_AND_PODS);
  await page.getByRole("link", { name: "Sheet", exact: true }).click();
  await expect(page.getByRole("region", { name: "Lambing bar" })).toBeVisible();
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("navigation", { name: "Pages" })).toBeHidden();
  await expect(page.getByRole("button", { name: "Print" })).toBeHidden();
  await expect(page.getByText("the last word", { exact: false })).toBeVisible();
  expect(await page.evaluate(() => getComputedStyle(document.body).color)).toBe("rgb(0, 0, 0)");
});
