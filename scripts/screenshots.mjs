/**
 * `npm run screenshots`: one PNG of each main view, from the demo shop, into docs/screenshots.
 * Wants a running `npm start`; `--url` names it, `--only NAME` takes one, `--out DIR` elsewhere.
 */
import { mkdirSync } from "node:fs";
import { join } from "node:path";
import { parseArgs } from "node:util";
import { chromium } from "@playwright/test";
import { fromRoot } from "./lib/paths.mjs";
import { whole } from "./lib/chromium.mjs";
import { main } from "./lib/fail.mjs";

/** What was asked for, read when it runs. */
let values;

const DESK = { width: 1280, height: 800 };

const openJob = (title) => async (page) => {
  await page.getByRole("link", { name: title }).first().click();
  await page.getByRole("heading", { level: 1, name: title }).waitFor();
};

const inJob =
  (title, tab, then = async () => {}) =>
  async (page) => {
    await openJob(title)(page);
    await page.getByRole("link", { name: tab, exact: tab === "Sheet" }).click();
    await page.waitForTimeout(700);
    await then(page);
  };

const inFit = (title, part, then) =>
  inJob(title, "Fit", async (page) => {
    await page.getByRole("link", { name: part, exact: true }).click();
    await page.waitForTimeout(700);
    await then?.(page);
  });

const visit = (path) => async (page) => {
  await page.goto(`${values.url}${path}`);
  await page.waitForTimeout(500);
};

const breakIt = async (page) => {
  await page
    .getByRole("button", { name: /^5 A fuse/ })
    .first()
    .click();
  await page.getByRole("button", { name: /^7.5 A/ }).waitFor();
};

/** A lamp that stays dark at its step, and what that says. */
const readDark = async (page) => {
  const seen = page.getByRole("group", { name: /: seen$/ }).nth(1);
  await seen.getByRole("button", { name: "dark" }).click();
  await page.getByText("What may be wrong").waitFor();
  await page.evaluate(() => window.scrollTo(0, 0));
};

/** A page of the shop that is there when its words are. */
const seeing = (path, words) => async (page) => {
  await visit(path)(page);
  await page.getByText(words).first().waitFor();
};

const SHOTS = [
  { name: "board", go: visit("/") },
  { name: "intake", go: inJob("Lambing-watch bar and pods", "Intake") },
  { name: "budget", go: inJob("Lambing-watch bar and pods", "Budget") },
  {
    name: "signals",
    go: inJob("Aux pods, brake flasher", "Signals", async (page) => {
      for (let i = 0; i < 5; i += 1) await page.getByRole("button", { name: "Next event" }).click();
    }),
  },
  {
    name: "strip",
    go: inFit("Box lamp: run, turn, brake", "Take apart", (page) =>
      page.getByRole("button", { name: /trunk lid/ }).click(),
    ),
  },
  { name: "route", go: inFit("Road kit with horn and hazards", "Route") },
  { name: "cut-list", go: inFit("Scene lights on the six-way hub", "Cut list") },
  { name: "holes", go: inFit("Box lamp: run, turn, brake", "Holes") },
  { name: "lamps", go: inFit("Box lamp: run, turn, brake", "Lamps in place") },
  { name: "circuit-fuse", go: inJob("Lambing-watch bar and pods", "Circuit", breakIt) },
  { name: "calendar", go: seeing("/calendar", "By when they are done") },
  { name: "figures", go: seeing("/figures", "What jobs wait for") },
  { name: "test", go: inJob("Lambing-watch bar and pods", "Prove", readDark) },
  {
    name: "aim",
    go: inJob("Lambing-watch bar and pods", "Aim", async (page) => {
      await page.getByText("At 10 m the ground").waitFor();
      await page.getByRole("button", { name: /vehicle.s own lamps/ }).click();
      await page.getByText("At 10 m the ground").nth(1).waitFor();
    }),
  },
  { name: "hand-over", go: inJob("Aux pods, brake flasher", "Hand over") },
  { name: "sheet", go: inJob("Lambing-watch bar and pods", "Sheet") },
  { name: "shelf", go: visit("/shelf") },
  { name: "vehicle", go: seeing("/vehicles/fellrunner-420", "Measured on machines of this model") },
  {
    name: "training",
    night: true,
    go: async (page) => {
      await visit("/training")(page);
      await page.getByRole("combobox", { name: "Trained on" }).click();
      await page.getByRole("option", { name: "Twin horns and work lamp" }).click();
      await page.getByRole("button", { name: "Start" }).click();
      const tips = page.getByRole("group", { name: "Tips on" }).getByRole("button");
      await tips.nth(1).click();
      await tips.nth(6).click();
    },
  },
];

/** Signs in once: the rate limit holds for us too. */
async function signIn(browser) {
  const context = await browser.newContext();
  const page = await context.newPage();
  await page.goto(values.url);
  await page.getByLabel("Sign-in").fill("ansa");
  await page.getByLabel("Password").fill("lamp-and-loom");
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.getByRole("heading", { name: "Jobs" }).waitFor();
  const state = await context.storageState();
  await context.close();
  return state;
}

await main(async () => {
  ({ values } = parseArgs({
    options: {
      url: { type: "string", default: "http://127.0.0.1:4170" },
      out: { type: "string", default: fromRoot("docs/screenshots") },
      only: { type: "string", default: "" },
    },
  }));
  mkdirSync(values.out, { recursive: true });
  const browser = await chromium.launch(whole());
  try {
    const storageState = await signIn(browser);
    for (const shot of SHOTS) {
      if (values.only !== "" && !values.only.split(",").includes(shot.name)) continue;
      const context = await browser.newContext({
        viewport: DESK,
        colorScheme: shot.night ? "dark" : "light",
        reducedMotion: "reduce",
        storageState,
      });
      const page = await context.newPage();
      await page.goto(values.url);
      await page.getByRole("heading", { name: "Jobs" }).waitFor();
      await shot.go(page);
      // What is still computed says so: a picture of that is none of the view.
      await page.waitForTimeout(600);
      await page.getByText(/^(Loading|Saving) /).waitFor({ state: "hidden" });
      await page.waitForTimeout(300);
      await page.screenshot({ path: join(values.out, `${shot.name}.png`) });
      process.stdout.write(`${shot.name}\n`);
      await context.close();
    }
  } finally {
    await browser.close();
  }
});
