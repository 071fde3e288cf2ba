"use client";
import { useSyncExternalStore } from "react";
import { parseSettings, usualSettings, type Settings } from "@/core/settings/settings";

const KEY = "tastatura-settings";
let cached: { text: string | null; settings: Settings } = { text: null, settings: usualSettings };

function read(): Settings {
  const text = localStorage.getItem(KEY);
  if (text !== cached.text) cached = { text, settings: parseSettings(text) };
  return cached.settings;
}

function subscribe(listener: () => void): () => void {
  window.addEventListener("storage", listener);
  return () => window.removeEventListener("storage", listener);
}

/** The shop's settings, the same on every screen and in every tab. */
export function useSettings(): { settings: Settings; change: (parts: Partial<Settings>) => void } {
  const settings = useSyncExternalStore(subscribe, read, () => usualSettings);
  return {
    settings,
    change: (parts) => {
      localStorage.setItem(KEY, JSON.stringify({ ...read(), ...parts }));
      // The browser tells other tabs only; this one is told the same way.
      window.dispatchEvent(new StorageEvent("storage", { key: KEY }));
    },
  };
}
