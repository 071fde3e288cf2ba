import type { Metadata, Viewport } from "next";
import { cookies, headers } from "next/headers";
import type { ReactNode } from "react";
import { languageWanted } from "@/core/settings/language";
import { Spoken } from "@/ui/keys/spoken";
import { Queries } from "@/ui/query/queries";
import { Shell } from "@/ui/keys/shell";
import { Toasts } from "@/ui/keys/toast";
import { Offline } from "@/ui/offline/offline";
import { InStep } from "@/ui/shop-folder/in-step";
import { shellWordsIn } from "./shell-words-in";
import "./globals.css";

export const metadata: Metadata = { title: "Tastatura", description: "Traces wheel speed faults to their true cause." };
export const viewport: Viewport = {
  themeColor: [
    { media: "(prefers-color-scheme: light)", color: "#f5f1e8" },
    { media: "(prefers-color-scheme: dark)", color: "#1d1b18" },
  ],
};

export default async function Layout({ children }: { children: ReactNode }) {
  // Read so that every page is made per request and its scripts carry the nonce of the policy (see proxy.ts).
  const asked = await headers();
  const nonce = asked.get("x-nonce") ?? undefined;
  const language = languageWanted((await cookies()).get("language")?.value, asked.get("accept-language"));
  const words = shellWordsIn(language);
  return (
    <html lang={language} suppressHydrationWarning>
      <head>
        {/* Blocking on purpose: the look must stand before anything is painted. */}
        <script nonce={nonce} src="/look.js" />
        <script nonce={nonce} src="/early-keys.js" />
        {language !== "en" && (
          <link rel="preload" href={`/words/${language}.json`} as="fetch" crossOrigin="anonymous" />
        )}
      </head>
      <body className="min-h-screen">
        <Queries>
          <Spoken
            shell={<Shell words={words} path={asked.get("x-path") ?? "/"} search={asked.get("x-search") ?? ""} />}
          >
            {children}
            <Offline />
            <InStep />
            <Toasts />
          </Spoken>
        </Queries>
      </body>
    </html>
  );
}
