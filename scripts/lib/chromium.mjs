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
