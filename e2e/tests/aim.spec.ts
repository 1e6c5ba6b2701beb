import { expect } from "@playwright/test";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { FLASHING_BRAKE } from "./jobs.ts";
import { test } from "./quiet.ts";
import { openJob, signIn } from "./shop.ts";

test("the wall sheet has on paper what the page says", async ({ page }) => {
  await signIn(page);
  const base = await openJob(page, FLASHING_BRAKE);
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
