import type { NextConfig } from "next";

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  ...(process.env.STANDALONE ? { output: "standalone" as const } : {}),
  // It reads its own data files beside its code.
  serverExternalPackages: ["pdfkit"],
  outputFileTracingIncludes: {
    "/api/report": ["./node_modules/@fontsource/atkinson-hyperlegible-next/files/*-latin-[47]00-normal.woff"],
  },
};

export default config;
