"use client";
import { t } from "@/core/words/words";
import { Cap } from "../keys/cap";

const DIGITS = ["7", "8", "9", "4", "5", "6", "1", "2", "3", "0", ".", "⌫"] as const;
/** Unit caps by the unit a check reads in. */
const UNITS: Record<string, readonly string[]> = {
  V: ["V", "mV"],
  Ω: ["Ω", "kΩ", "MΩ", "OL"],
  nF: ["pF", "nF", "OL"],
  A: ["mA", "A"],
  Hz: ["Hz"],
  mm: ["mm"],
  in: ["in"],
  "%": ["%"],
};

/** Large caps for gloves; shown where the pointer is coarse, or on demand. */
export function Keypad({
  unit,
  typed,
  onType,
  onLog,
}: {
  unit: string;
  typed: string;
  onType: (text: string) => void;
  onLog: () => void;
}) {
  const number = typed.replace(/[^\d.,-]/g, "");
  const press = (key: string) => {
    if (key === "⌫") return onType(typed.slice(0, -1));
    onType(typed + key);
  };
  return (
    <div className="flex flex-wrap items-start gap-2">
      {(UNITS[unit] ?? []).map((one) => (
        <Cap key={one} className="min-h-14!" onClick={() => onType(one === "OL" ? "OL" : `${number} ${one}`)}>
          {one}
        </Cap>
      ))}
      <details className="keypad flex-1 basis-40 pl-2">
        <summary className="min-h-11 cursor-pointer py-3 text-sm text-muted">{t`keypad for gloves`}</summary>
        <div className="mt-2 grid max-w-xl grid-cols-[repeat(3,1fr)_1.2fr] gap-2" role="group" aria-label={t`Keypad`}>
          <div className="col-span-3 grid grid-cols-3 gap-2">
            {DIGITS.map((key) => (
              <Cap
                key={key}
                className="min-h-14! text-xl"
                aria-label={key === "⌫" ? t`erase` : key}
                onClick={() => press(key)}
              >
                {key}
              </Cap>
            ))}
          </div>
          <div className="grid content-start gap-2">
            <Cap legend="Enter" lead className="min-h-14!" onClick={onLog}>{t`log`}</Cap>
          </div>
        </div>
      </details>
    </div>
  );
}
