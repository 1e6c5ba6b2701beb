import { defineConfig } from "@playwright/test";
import { headless } from "../scripts/lib/chromium.mjs";

/** The real built application, in Debian's Chromium. scripts/test.mjs starts the servers. */
export default defineConfig({
  testDir: "tests",
  outputDir: "../test-results",
  fullyParallel: true,
  // A browser keeps two cores busy by itself: a second one beside it makes both wait.
  workers: 1,
  retries: 0,
  // Only what hangs is ended by the clock: beside four busy loops everything takes many times as long.
  timeout: 900_000,
  // Unit tests run beside it: a slow moment is no fault.
  expect: { timeout: 60_000 },
  reporter: [["dot"], ["json", { outputFile: "../test-results/e2e.json" }]],
  use: {
    baseURL: process.env.BASE_URL ?? "http://127.0.0.1:4170",
    viewport: { width: 1280, height: 800 },
    // Only the test of working without a network wants the kept application.
    serviceWorkers: "block",
    // Recording every step takes a third of the time: asked for when one is looked into.
    trace: process.env.TRACE ? "retain-on-failure" : "off",
    launchOptions: headless(),
  },
});
