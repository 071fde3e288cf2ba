"use client";
import { inUnits } from "@/core/units/local-units";
import { useSettings } from "./use-settings";

/** Tells any sentence in the units chosen in the settings. */
export function useUnits(): (text: string) => string {
  const { units } = useSettings().settings;
  return (text) => inUnits(text, units);
}
