import { t } from "../words/words";

/** What a workshop may be without; everyone has eyes and hands. */
export const tools = ["meter", "lamp", "clamp", "scope", "scan", "film", "gauge"] as const;
export type Tool = (typeof tools)[number];

/** A tool as it is asked for. */
export function toolWords(tool: Tool): string {
  const words: Record<Tool, string> = {
    meter: t`multimeter`,
    lamp: t`test lamp`,
    clamp: t`current clamp`,
    scope: t`oscilloscope`,
    scan: t`scan tool`,
    film: t`viewing film`,
    gauge: t`feeler and dial gauge`,
  };
  return words[tool];
}
