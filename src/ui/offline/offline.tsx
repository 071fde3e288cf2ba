"use client";
import { t } from "@/core/words/words";
import { useEffect } from "react";
import { toast } from "../keys/toast";

/** Keeps the app for use without a server, and says when a newer one is ready; it never reloads by itself. */
export function Offline() {
  useEffect(() => {
    if (process.env.NODE_ENV !== "production" || !("serviceWorker" in navigator)) return;
    navigator.serviceWorker.register("/sw.js").then(
      (registration) => {
        registration.addEventListener("updatefound", () => {
          const next = registration.installing;
          next?.addEventListener("statechange", () => {
            if (next.state !== "installed" || !navigator.serviceWorker.controller) return;
            toast(t`A newer Tastatura is ready.`, {
              duration: Infinity,
              action: {
                label: t`use it now`,
                onClick: () => {
                  next.postMessage(t`take over`);
                  navigator.serviceWorker.addEventListener("controllerchange", () => location.reload());
                },
              },
            });
          });
        });
      },
      (error: unknown) => toast.error(t`This browser will not keep the app for offline use: ${String(error)}`),
    );
  }, []);
  return null;
}
