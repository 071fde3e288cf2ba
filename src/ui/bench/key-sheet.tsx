"use client";
import { t } from "@/core/words/words";
import { Dialog, DialogPanel, DialogTitle } from "@headlessui/react";
import { Cap } from "../keys/cap";

const KEYS: () => [string, string][] = () => [
  ["0–9 . , −", t`start a reading, anywhere`],
  ["Enter", t`log it`],
  ["Esc", t`leave the field`],
  ["[  ]", t`other good checks`],
  ["S", t`can't reach this one`],
  ["P", t`pick two points of your own`],
  ["H", t`how to hook up, drawn`],
  ["U", t`undo the last entry`],
  ["C E B W L X", t`Complaint, Look, Bench, Waves, Loom, Close-out`],
  [t`Shift 1–4`, t`another corner of this car`],
  ["M", t`connect a meter; take what it shows`],
  ["I", t`read it off a simulated car`],
  ["J", t`jobs board`],
  [t`Ctrl K`, t`find anything`],
  ["?", t`this sheet`],
];

export function KeySheet({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} className="relative z-20">
      <div className="fixed inset-0 bg-veil" aria-hidden="true" />
      <div className="fixed inset-0 flex items-center justify-center p-4">
        <DialogPanel className="w-full max-w-md rounded-2xl bg-card p-5">
          <DialogTitle className="text-xl font-bold">{t`Keys`}</DialogTitle>
          <dl className="my-3 grid grid-cols-[8.5rem_1fr] gap-y-2">
            {KEYS().map(([key, does]) => (
              <div key={key} className="contents">
                <dt className="font-mono font-semibold">{key}</dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
          <p className="mb-3 text-sm text-muted">{t`Units may be left out: 953mV, 1.1k, 1k1, 11,2 and OL are understood.`}</p>
          <Cap legend="Esc" onClick={onClose}>{t`close`}</Cap>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
