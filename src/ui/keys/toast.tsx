"use client";
import dynamic from "next/dynamic";
import { useEffect } from "react";
import type { ExternalToast } from "sonner";

type Kind = "message" | "success" | "error" | "loading";

/**
 * Says something at the foot of the screen. The package behind it loads after the first view; what is said before
 * then waits for it.
 * @returns the notice's id, to say something else in its place or to dismiss it
 */
export const toast = Object.assign((say: string, options?: ExternalToast) => show("message", say, options), {
  success: (say: string, options?: ExternalToast) => show("success", say, options),
  error: (say: string, options?: ExternalToast) => show("error", say, options),
  loading: (say: string, options?: ExternalToast) => show("loading", say, options),
  dismiss: (id: string | number) => void package_().then(({ toast }) => toast.dismiss(id)),
});

/** The place notices appear in; once, in the layout. */
export const Toasts = dynamic(
  () =>
    import("sonner").then(({ Toaster }) => {
      function Mounted() {
        useEffect(() => mounted(), []);
        return <Toaster position="bottom-center" richColors={false} toastOptions={{ duration: 8000 }} />;
      }
      return Mounted;
    }),
  { ssr: false },
);

let mounted: () => void;
const ready = new Promise<void>((resolve) => (mounted = resolve));
let said = 0;

async function package_() {
  await ready;
  return import("sonner");
}

function show(kind: Kind, say: string, options: ExternalToast = {}): string | number {
  const id = options.id ?? `said-${++said}`;
  void package_().then(({ toast }) => toast[kind](say, { ...options, id }));
  return id;
}
