import { existsSync } from "node:fs";
import { isRoot } from "./machine.mjs";

/** Debian's Chromium, quiet: it looks for no update and no other host. */
export const CHROMIUM = {
  executablePath: "/usr/bin/chromium",
  args: [
    ...(isRoot() ? ["--no-sandbox"] : []),
    "--disable-gpu",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--no-first-run",
  ],
};

/** The same without all that is for a window, which takes a quarter of what a browser's tests take. */
export const SHELL = "/usr/bin/chromium-headless-shell";

/** One of the two that is there, or the last. */
const oneOf = (...paths) => ({
  ...CHROMIUM,
  executablePath: paths.find((path) => existsSync(path)) ?? paths.at(-1),
});

/** What the tests press in: the shell where it is there, else the browser. */
export const headless = () => oneOf(SHELL, CHROMIUM.executablePath);

/** What figures and pictures are taken in: the browser where it is there, else the shell. */
export const whole = () => oneOf(CHROMIUM.executablePath, SHELL);
