import { t } from "../words/words";
import type { Quantity } from "../units/quantity";

/** What answers without probes. */
export const lookInstruments = ["eyes", "hands", "film", "gauge", "compare", "scan"] as const;
export const instruments = [
  "volts-dc",
  "volts-ac",
  "ohms",
  "continuity",
  "capacitance",
  "amps-dc",
  "hertz",
  "duty",
  "lamp",
  ...lookInstruments,
  "scope",
] as const;
export type Instrument = (typeof instruments)[number];

/** What each electrical instrument's number is. The others answer in words. */
export const quantityOf: Partial<Record<Instrument, Quantity>> = {
  "volts-dc": "volts",
  "volts-ac": "volts",
  ohms: "ohms",
  capacitance: "farads",
  "amps-dc": "amps",
  hertz: "hertz",
  duty: "percent",
  gauge: "length",
};

/** Whether a meter at two points reads it: what one that speaks for itself may hand over. */
export function isMetered(instrument: Instrument): boolean {
  return instrument === "continuity" || (instrument !== "gauge" && quantityOf[instrument] !== undefined);
}

export const instrumentWords: Record<Instrument, string> = {
  get "volts-dc"() {
    return t`DC volts`;
  },
  get "volts-ac"() {
    return t`AC volts`;
  },
  ohms: "ohms",
  get continuity() {
    return t`continuity`;
  },
  get capacitance() {
    return t`capacitance`;
  },
  get "amps-dc"() {
    return t`DC amps`;
  },
  hertz: "Hz",
  get duty() {
    return t`duty %`;
  },
  get lamp() {
    return t`test lamp`;
  },
  get eyes() {
    return t`look`;
  },
  get hands() {
    return t`feel`;
  },
  get film() {
    return t`viewing film`;
  },
  get gauge() {
    return t`gauge`;
  },
  get compare() {
    return t`compare`;
  },
  get scan() {
    return t`scan data`;
  },
  get scope() {
    return t`scope`;
  },
};

export type LookInstrument = (typeof lookInstruments)[number];

export function isLookInstrument(instrument: Instrument): instrument is LookInstrument {
  return (lookInstruments as readonly Instrument[]).includes(instrument);
}
