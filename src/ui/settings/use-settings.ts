"use client";
import { useSyncExternalStore } from "react";
import { keepText, keptText } from "@/store/small-texts";
import { parseSettings, usualSettings, type Settings } from "@/core/settings/settings";

const KEY = "tastatura-settings";
const YEAR_S = 31_536_000;
let cached: { text: string | null; settings: Settings } = { text: null, settings: usualSettings };

function read(): Settings {
  const text = keptText(KEY);
  if (text !== cached.text) cached = { text, settings: parseSettings(text) };
  return cached.settings;
}

function subscribe(listener: () => void): () => void {
  window.addEventListener("storage", listener);
  return () => window.removeEventListener("storage", listener);
}

/** The settings as they are at this moment. */
export function settingsNow(): Settings {
  return read();
}

/** The shop's settings, the same on every screen and in every tab. */
export function useSettings(): { settings: Settings; change: (parts: Partial<Settings>) => void } {
  const settings = useSyncExternalStore(subscribe, read, () => usualSettings);
  return {
    settings,
    change: (parts) => {
      keepText(KEY, JSON.stringify({ ...read(), ...parts }));
      // The server reads it there at the next visit (app/layout.tsx); without one it asks what the browser likes.
      const { language } = read();
      document.cookie = `language=${language ?? ""}; path=/; samesite=lax; max-age=${language ? YEAR_S : 0}`;
      // The browser tells other tabs only; this one is told the same way.
      window.dispatchEvent(new StorageEvent("storage", { key: KEY }));
    },
  };
}
