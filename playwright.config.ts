import { defineConfig } from "@playwright/test";

const port = Number(process.env.PORT ?? 3211);

export default defineConfig({
  testDir: "e2e",
  // A shared machine may stand still for a minute: nothing here fails on time alone.
  timeout: 600_000,
  expect: { timeout: 120_000 },
  // Files side by side: much of a test is waiting, and two cores are there.
  workers: 2,
  // Each test with its time: the browser tests are half of all.
  reporter: "list",
  use: {
    baseURL: `http://localhost:${port}`,
    viewport: { width: 1280, height: 800 },
    // Laying the whole program in for use without a server is half of what a fresh browser does; the tests of that allow it.
    serviceWorkers: "block",
    actionTimeout: 120_000,
    navigationTimeout: 120_000,
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
