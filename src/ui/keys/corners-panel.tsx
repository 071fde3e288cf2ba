"use client";
import { Dialog, DialogPanel, DialogTitle } from "@headlessui/react";
import clsx from "clsx";
import { decodeCodes, namesCorner } from "@/core/codes/code";
import { cornersInWork, withoutCorner } from "@/core/job/corner-in-work";
import { corners, cornerWords, type Corner } from "@/core/units/corner";
import { LeadWords } from "./lead-words";
import { t } from "@/core/words/words";
import type { OpenCar } from "../jobs/open-job";
import { useCornerRows } from "../jobs/use-corner-rows";
import { Cap } from "./cap";

/** The car from above: each corner where it stands, what is believed of it, and those that may be taken into work. */
export function CornersPanel({
  open,
  onGo,
  onClose,
}: {
  open: OpenCar;
  onGo: (corner: Corner) => void;
  onClose: () => void;
}) {
  const { car, corner: current, changeCar } = open;
  const inWork = cornersInWork(car);
  const rows = useCornerRows(car);
  const alone = car.simulated?.practice?.alone === true;
  const codes = decodeCodes(car.complaint.codes);
  return (
    <Dialog open onClose={onClose} className="relative z-20">
      <div className="fixed inset-0 bg-veil" aria-hidden="true" />
      <div className="fixed inset-0 flex items-start justify-center overflow-y-auto p-4 pt-16 max-sm:px-2">
        <DialogPanel className="w-full max-w-2xl rounded-2xl bg-card p-5 max-sm:p-3">
          <DialogTitle className="text-xl font-bold">{t`Corners of this car`}</DialogTitle>
          <p className="mt-1 text-muted">{t`Each has a path, a log and suspects of its own. Battery, module feed and ground are measured once for all.`}</p>
          <ul className="mt-4 grid grid-cols-2 gap-3">
            {corners.map((corner, at) => {
              const worked = inWork.includes(corner);
              const lead = rows.find((one) => one.corner === corner)?.row?.lead;
              const naming = codes.flatMap((one) => (one && namesCorner(one, corner) ? [one.code] : []));
              return (
                <li key={corner} className="grid content-start gap-1">
                  <button
                    type="button"
                    aria-current={corner === current ? "true" : undefined}
                    className={clsx(
                      "grid min-h-28 w-full content-start gap-1 rounded-xl border p-3 text-left",
                      corner === current
                        ? "border-2 border-marigold bg-marigold-wash"
                        : worked
                          ? "border-ink bg-paper"
                          : "border-dashed border-rule bg-card",
                    )}
                    onClick={() => onGo(corner)}
                  >
                    <span className="flex items-baseline justify-between gap-2">
                      <span className="text-lg font-bold">{corner}</span>
                      <span className="text-sm text-muted">{t`shift ${at + 1}`}</span>
                    </span>
                    <span className="text-sm text-muted">{cornerWords[corner]}</span>
                    {worked ? (
                      <span className="break-words">
                        {alone ? null : lead ? <LeadWords lead={lead} /> : t`Working out the suspects…`}
                      </span>
                    ) : (
                      <span>{t`+ add this corner`}</span>
                    )}
                    {naming.length > 0 && <span className="text-sm text-plum">{t`named by ${naming.join(", ")}`}</span>}
                  </button>
                  {worked && corner !== car.setup.corner && corner !== current && (
                    <button
                      type="button"
                      className="min-h-11 justify-self-start text-sm underline"
                      onClick={() => changeCar((newest) => withoutCorner(newest, corner))}
                    >{t`remove ${corner} (its log is kept)`}</button>
                  )}
                </li>
              );
            })}
          </ul>
          <div className="mt-4">
            <Cap legend="Esc" onClick={onClose}>{t`close`}</Cap>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
