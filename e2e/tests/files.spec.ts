import { readFile } from "node:fs/promises";
import { expect, test } from "@playwright/test";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { DEMO_SHELF, demoJobs } from "@dragonet/core/demo";
import { printJob, printPartsCsv, readPartsCsv } from "@dragonet/core";
import { openJob, signIn } from "./shop.ts";

const textFile = (name: string, text: string) => ({
  name,
  mimeType: "text/plain",
  buffer: Buffer.from(text),
});

test("the strip sheet's PDF says what the page says", async ({ page }) => {
  await signIn(page);
  await openJob(page, "Aux pods, brake flasher");
  const id = /jobs\/([^/]+)/.exec(page.url())![1]!;
  const answer = await page.request.get(`/api/jobs/${id}/strip-sheet.pdf`);
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
  await openJob(page, "Lambing-watch bar and pods");
  await page.getByRole("link", { name: "Sheet", exact: true }).click();
  await expect(page.getByRole("region", { name: "Lambing bar" })).toBeVisible();
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("navigation", { name: "Pages" })).toBeHidden();
  await expect(page.getByRole("button", { name: "Print" })).toBeHidden();
  await expect(page.getByText("the last word", { exact: false })).toBeVisible();
  expect(await page.evaluate(() => getComputedStyle(document.body).color)).toBe("rgb(0, 0, 0)");
});

test("a job file comes in; a broken one is told with every path and not stored", async ({
  page,
}) => {
  await signIn(page);
  const [demo] = demoJobs();
  const named = { ...demo!, card: { ...demo!.card, title: "From a file" } };
  await page.getByLabel("Job file in").setInputFiles(textFile("job.json", printJob(named)));
  await expect(page.getByRole("heading", { level: 1, name: "From a file" })).toBeVisible();
  await page.goto("/");
  const broken = printJob({ ...named, runs: [{ ...named.runs[0]!, wire: "17 AWG" }] });
  await page.getByLabel("Job file in").setInputFiles(textFile("job.json", broken));
  const dialog = page.getByRole("dialog", { name: "This file was not taken in" });
  await expect(dialog).toContainText("runs[0].wire");
  await expect(dialog).toContainText('invalid wire size: "17 AWG"');
  await dialog.getByRole("button", { name: "Close" }).click();
  await expect(page.getByRole("link", { name: "From a file" })).toHaveCount(1);
});

test("the shelf goes out as CSV, comes in again, and tells a broken line", async ({ page }) => {
  await signIn(page);
  await page.getByRole("link", { name: "Shelf" }).click();
  const download = page.waitForEvent("download");
  await page.getByRole("link", { name: "CSV out" }).click();
  const text = await readFile(await (await download).path(), "utf8");
  const read = readPartsCsv(text);
  expect(read.ok && read.value.length).toBeGreaterThanOrEqual(DEMO_SHELF.length - 1);
  const part = { ...DEMO_SHELF[0]!, id: "csv-bar" as never, name: "Bar from a file" };
  await page.getByLabel("CSV in").setInputFiles(textFile("parts.csv", printPartsCsv([part])));
  await expect(page.getByText("1 parts added, 0 changed")).toBeVisible();
  await expect(page.getByRole("button", { name: "Bar from a file" })).toBeVisible();
  await page
    .getByLabel("CSV in")
    .setInputFiles(textFile("parts.csv", "id,kind,name\nx,magic,Wand"));
  await expect(page.getByRole("dialog")).toContainText("line 2, kind");
});

test("a part is made, changed and taken off by hand", async ({ page }) => {
  await signIn(page);
  await page.goto("/shelf");
  await page.getByRole("button", { name: "New part" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Part name").fill("Test lamp 9 W");
  await dialog.getByLabel("Part name").press("Enter");
  await dialog.getByLabel("Power, W", { exact: true }).fill("9");
  await dialog.getByLabel("Power, W", { exact: true }).press("Enter");
  await dialog.getByRole("button", { name: "Save part" }).click();
  await expect(dialog).toBeHidden();
  const row = page.getByRole("row", { name: /Test lamp 9 W/ });
  await expect(row).toContainText(/0\.6[78]–0\.83 A at 12 V/);
  await page.getByRole("button", { name: "Test lamp 9 W" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Take off the shelf" }).click();
  await expect(row).toBeHidden();
});

test("a profile learns a wire, and a new job can tap it", async ({ page }) => {
  await signIn(page);
  await page.goto("/vehicles/petrel-650");
  const aux = page.getByRole("region", { name: "Wires of Auxiliary plug" });
  await page.getByRole("button", { name: "Wire" }).nth(2).click();
  await aux.getByLabel("Carries").last().fill("pannier feed");
  await aux.getByLabel("Carries").last().press("Enter");
  await aux.getByLabel("pannier feed: colour").fill("mauve");
  await aux.getByLabel("pannier feed: colour").press("Tab");
  await expect(page.getByRole("alert")).toContainText("“mauve” is no colour");
  await aux.getByLabel("pannier feed: colour").fill("violet/white");
  await aux.getByLabel("pannier feed: colour").press("Enter");
  await page.getByRole("button", { name: "Save profile" }).click();
  await expect(page.getByText("Profile saved")).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("Carries").last()).toHaveValue("pannier feed");
});
