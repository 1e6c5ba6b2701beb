import { test as base, type Browser } from "@playwright/test";

/**
 * Pages of somebody who asks their browser to save data: what is fetched ahead, for the time without a network, is half
 * of what opening a page takes, and belongs to the tests that go without one.
 */
export const test = base.extend<object, { browser: Browser }>({
  browser: [
    async ({ browser }, use) => {
      const open = browser.newContext.bind(browser);
      browser.newContext = async (options) => {
        const context = await open(options);
        await context.addInitScript(() =>
          Object.defineProperty(navigator, "connection", { value: { saveData: true } }),
        );
        return context;
      };
      await use(browser);
      browser.newContext = open;
    },
    { scope: "worker" },
  ],
});
