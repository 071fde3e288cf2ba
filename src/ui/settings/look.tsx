"use client";
import { useEffect } from "react";
import { useSettings } from "./use-settings";

/**
 * Puts the chosen look on the page, and follows the machine where that is the choice. Before the first paint
 * `public/look.js` does the same, so that no white page flashes up at night.
 */
export function Look() {
  const { theme, contrast } = useSettings().settings.look;
  useEffect(() => {
    const [dark, more] = [matchMedia("(prefers-color-scheme: dark)"), matchMedia("(prefers-contrast: more)")];
    const put = () => {
      const { dataset } = document.documentElement;
      dataset.theme = theme === "machine" ? (dark.matches ? "dark" : "light") : theme;
      dataset.contrast = contrast === "high" || more.matches ? "high" : "usual";
    };
    put();
    for (const one of [dark, more]) one.addEventListener("change", put);
    return () => {
      for (const one of [dark, more]) one.removeEventListener("change", put);
    };
  }, [theme, contrast]);
  return null;
}
