"use client";
import { errorWords } from "@/core/words/error-words";
import { t } from "@/core/words/words";
import { useEffect } from "react";
import { toast } from "../keys/toast";

/** Keeps the app for use without a server, and says when a newer one is ready; it never reloads by itself. */
export function Offline() {
  useEffect(() => {
    if (process.env.NODE_ENV !== "production" || !("serviceWorker" in navigator)) return;
    const look = () => void keepUpToDate().catch((error: unknown) => tell(error));
    const seen = () => document.visibilityState === "visible" && look();
    // Laying in every screen is work: the one asked for is drawn first.
    const soon = setTimeout(look, AFTER_MS);
    document.addEventListener("visibilitychange", seen);
    return () => {
      clearTimeout(soon);
      document.removeEventListener("visibilitychange", seen);
    };
  }, []);
  return null;
}

const AFTER_MS = 3000;
const known = new WeakSet<ServiceWorkerRegistration>();

/** The worker is named by its build: a new build is a new worker even where not a letter of it has changed. */
async function keepUpToDate(): Promise<void> {
  const answer = await fetch("/precache.json", { cache: "no-store" }).catch(() => null);
  if (!answer?.ok) return;
  const { build } = (await answer.json()) as { build: string };
  // Where workers are blocked some browsers give nothing at all.
  const registration = (await navigator.serviceWorker.register(`/sw.js?build=${encodeURIComponent(build)}`)) as
    ServiceWorkerRegistration | undefined;
  if (!registration || known.has(registration)) return;
  known.add(registration);
  registration.addEventListener("updatefound", () => {
    const next = registration.installing;
    next?.addEventListener("statechange", () => {
      if (next.state === "installed" && navigator.serviceWorker.controller) offer(next);
    });
  });
}

function offer(next: ServiceWorker): void {
  toast(t`A newer Tastatura is ready.`, {
    id: "newer",
    duration: Infinity,
    action: {
      label: t`use it now`,
      onClick: () => {
        navigator.serviceWorker.addEventListener("controllerchange", () => location.reload());
        next.postMessage("take over");
      },
    },
  });
}

function tell(error: unknown): void {
  toast.error(t`This browser will not keep the app for offline use: ${errorWords(error)}`, { id: "no-offline" });
}
