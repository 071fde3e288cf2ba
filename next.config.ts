import type { NextConfig } from "next";
import { modelName } from "./scripts/model-name";

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
