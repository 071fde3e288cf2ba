"use client";
import clsx from "clsx";
import { useEffect, useState } from "react";
import { logUntil } from "@/core/scanlog/log-until";
import { LEAST_ROWS, type ScanLog } from "@/core/scanlog/scan-log";
import { corners, cornerWords, type Corner } from "@/core/units/corner";
import { toLocal } from "@/core/units/local-units";
import { t } from "@/core/words/words";
import { Cap } from "../keys/cap";
import { useSettings } from "../settings/use-settings";

/** How often the four figures change, in milliseconds: quicker than anybody reads them. */
const SHOWN_MS = 200;

/** Four wheel speeds side by side while the simulated car drives, as a scan tool shows them; judged when it is stopped. */
export function LiveSpeeds({
  drive,
  corner,
  onStop,
  onClose,
}: {
  drive: ScanLog;
  corner: Corner;
  /** Told what was driven so far. */
  onStop: (log: ScanLog) => void;
  onClose: () => void;
}) {
  const { units } = useSettings().settings;
  const [atS, setAtS] = useState(0);
  const [fromS, lastS] = [drive.timeS[0]!, drive.timeS.at(-1)!];
  useEffect(() => {
    const began = performance.now();
    const timer = setInterval(() => setAtS((performance.now() - began) / 1000), SHOWN_MS);
    return () => clearInterval(timer);
  }, [drive]);
  const so = logUntil(drive, fromS + atS);
  const over = fromS + atS >= lastS;
  return (
    <section aria-label={t`Live from the simulated bus`} className="mb-3 rounded-xl border border-plum p-3">
      <h3 className="text-sm font-semibold text-muted">
        {over ? t`The drive is over.` : t`Live from the simulated bus, ${Math.floor(atS)} s, in ${units.speed}`}
      </h3>
      <ul className="mt-2 grid grid-cols-2 gap-2">
        {corners.map((one) => {
          const speed = so.speedKmh[one].at(-1) ?? NaN;
          return (
            <li
              key={one}
              className={clsx("rounded-lg border px-3 py-2", one === corner ? "border-brick" : "border-rule")}
            >
              <span className={one === corner ? "font-semibold text-brick" : "text-muted"}>{cornerWords[one]}</span>
              <output className="block text-right font-mono text-3xl" aria-live="off">
                {Number.isNaN(speed) ? "– –" : toLocal(speed, "km/h", units).toFixed(1)}
              </output>
            </li>
          );
        })}
      </ul>
      <div className="mt-2 flex flex-wrap gap-2">
        <Cap lead disabled={so.timeS.length < LEAST_ROWS} onClick={() => onStop(so)}>{t`stop and judge`}</Cap>
        <Cap onClick={onClose}>{t`throw away`}</Cap>
      </div>
    </section>
  );
}
