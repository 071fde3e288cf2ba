"use client";
import { useEffect } from "react";

declare global {
  interface Window {
    /** Hands over what public/early-keys.js has held, once; from then on it holds nothing. */
    earlyKeys?: () => readonly { key: string; code: string; at: number }[];
  }
}

/** Older ones were meant for a page that did not come. */
const LONGEST_HELD_MS = 30_000;

/** Presses the keys again that came before the program did. To be called after the keys of a header are bound. */
export function useEarlyKeys() {
  useEffect(() => {
    for (const { key, code, at } of window.earlyKeys?.() ?? []) {
      if (performance.now() - at > LONGEST_HELD_MS) continue;
      for (const type of ["keydown", "keyup"])
        document.body.dispatchEvent(new KeyboardEvent(type, { key, code, bubbles: true }));
    }
  }, []);
}
