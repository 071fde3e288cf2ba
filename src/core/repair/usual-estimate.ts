/** What an estimate is made with; the shop may set each. */
export interface EstimateSettings {
  currency: string;
  labourRate: number;
  taxPct: number;
  /** Chance that a rusted-in sensor breaks on removal, and what that adds in minutes. */
  seizedPct: number;
  seizedMin: number;
}

export const usualEstimate: EstimateSettings = {
  currency: "€",
  labourRate: 80,
  taxPct: 20,
  seizedPct: 25,
  seizedMin: 45,
};
