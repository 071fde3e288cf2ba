import { t } from "../words/words";

/** A station in one word: `module`, `C1`, `plug`. */
export function stationLabel(station: string): string {
  return station === "module" ? t`module` : station === "plug" ? t`plug` : station.toUpperCase();
}
