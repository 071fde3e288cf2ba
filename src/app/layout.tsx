import type { Metadata, Viewport } from "next";
import { headers } from "next/headers";
import type { ReactNode } from "react";
import { Spoken } from "@/ui/keys/spoken";
import { Queries } from "@/ui/query/queries";
import { Toasts } from "@/ui/keys/toast";
import { Offline } from "@/ui/offline/offline";
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
  const nonce = (await headers()).get("x-nonce") ?? undefined;
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        {/* Blocking on purpose: the look must stand before anything is painted. */}
        <script nonce={nonce} src="/look.js" />
      </head>
      <body className="min-h-screen">
        <Queries>
          <Spoken>
            {children}
            <Offline />
            <Toasts />
          </Spoken>
        </Queries>
      </body>
    </html>
  );
}
