"use client";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";

/** Asks workers one keyed question at a time: what was answered is kept, what failed is asked once more, and told. */
export function Queries({ children }: { children: ReactNode }) {
  const [client] = useState(
    () =>
      new QueryClient({
        defaultOptions: {
          // A worker's answer to the same question never changes; nothing is fetched from anywhere.
          queries: { staleTime: Infinity, gcTime: KEPT_MS, retry: 1, retryDelay: 200, networkMode: "always" },
        },
      }),
  );
  return <QueryClientProvider client={client}>{children}</QueryClientProvider>;
}

const KEPT_MS = 60_000;
