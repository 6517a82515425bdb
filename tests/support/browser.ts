/** How Debian's Chromium is started on a machine without a wider network. */
import type { LaunchOptions } from "@playwright/test";

export const browserOptions: LaunchOptions = {
  executablePath: process.env.CHROMIUM_PATH ?? "/usr/bin/chromium",
  args: [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
  ],
};
