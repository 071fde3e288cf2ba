import { numberField } from "../units/number-field";

/** The figures of an estimate that the shop may set. */
export const estimateFields = {
  labourRate: numberField(0, 1000),
  taxPct: numberField(0, 100),
  seizedPct: numberField(0, 100),
  seizedMin: numberField(0, 600),
};

/** What an estimate is made with; the shop may set each. */
export interface EstimateSettings {
  currency: string;
  labourRate: number;
  taxPct: number;
  /** Chance that a rusted-in sensor breaks on removal, and what that adds in minutes. */
  seizedPct: number;
  seizedMin: number;
}

/** Labour, local money an hour, where the shop has set none. */
export const LABOUR_RATE = 80;

export const usualEstimate: EstimateSettings = {
  currency: "€",
  labourRate: LABOUR_RATE,
  taxPct: 20,
  seizedPct: 25,
  seizedMin: 45,
};
