import { createHash } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import type { NextConfig } from "next";

/** The rooms whose code makes a line-up and weighs readings into it. */
const WEIGHING = [
  "random",
  "units",
  "tyre",
  "circuit",
  "ring",
  "faults",
  "car",
  "checks",
  "complaint",
  "observation",
  "belief",
];

/** Names that code, so that a line-up kept by other code is not taken up again. */
function modelName(): string {
  const hash = createHash("sha256");
  for (const room of WEIGHING)
    for (const file of readdirSync(join("src/core", room), { recursive: true, encoding: "utf8" }).sort())
      if (file.endsWith(".ts") && !file.endsWith(".test.ts"))
        hash.update(file).update(readFileSync(join("src/core", room, file)));
  return hash.digest("hex").slice(0, 16);
}

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  env: { MODEL: modelName() },
  // `npm test` has checked the types just before.
  typescript: { ignoreBuildErrors: process.env.TYPES_CHECKED === "1" },
  ...(process.env.STANDALONE ? { output: "standalone" as const } : {}),
  // What is no page runs no script and is read as what it is; pages get their policy with a nonce (proxy.ts).
  headers: () =>
    Promise.resolve([
      {
        source: "/:path(api/.*|demo/.*|sw.js|sound-tap.js|precache.json|icon.*)",
        headers: [
          { key: "x-content-type-options", value: "nosniff" },
          { key: "referrer-policy", value: "no-referrer" },
          { key: "cross-origin-resource-policy", value: "same-origin" },
          { key: "content-security-policy", value: "default-src 'self'; frame-ancestors 'none'" },
        ],
      },
    ]),
  // It reads its own data files beside its code.
  serverExternalPackages: ["pdfkit"],
  outputFileTracingIncludes: {
    "/api/report": ["./node_modules/@fontsource/{atkinson-hyperlegible-next,noto-sans}/files/*-[47]00-normal.woff"],
  },
};

export default config;
