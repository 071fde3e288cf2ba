import { defineConfig } from "@playwright/test";

const port = Number(process.env.PORT ?? 3211);

export default defineConfig({
  testDir: "e2e",
  timeout: 240_000,
  // Slow machines read a file or build a line-up in more than the usual five seconds.
  expect: { timeout: 20_000 },
  // Files side by side: much of a test is waiting, and two cores are there.
  workers: 2,
  // Each test with its time: the browser tests are half of all.
  reporter: "list",
  use: {
    baseURL: `http://localhost:${port}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: "/usr/bin/chromium",
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
      ],
    },
  },
  webServer: {
    command: `node node_modules/next/dist/bin/next start -p ${port}`,
    port,
    reuseExistingServer: false,
    env: { TASTATURA_DEMO: "1" },
  },
});
