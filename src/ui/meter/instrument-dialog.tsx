"use client";
import { errorWords } from "@/core/words/error-words";
import { Dialog, DialogBackdrop, DialogPanel, DialogTitle } from "@headlessui/react";
import { useState, type ReactNode } from "react";
import { t } from "@/core/words/words";
import { hasSerial } from "@/instruments/wire/serial-port";
import { Cap } from "../keys/cap";

/** Whether an instrument is being joined, and why the last try failed. */
export function useJoining() {
  const [state, setState] = useState<{ joining: boolean; refused: string | null }>({ joining: false, refused: null });
  return {
    ...state,
    /** @param open rejects with a sentence to show */
    join(open: () => Promise<void>): void {
      setState({ joining: true, refused: null });
      open().catch((error: unknown) => setState({ joining: false, refused: errorWords(error) }));
    },
  };
}

/** The choice of an instrument that speaks over a serial port: a simulated one, or how the real one is spoken to. */
export function InstrumentDialog({
  title,
  lead,
  simulated,
  state: { joining, refused },
  ready = true,
  children,
  onSerial,
  onClose,
}: {
  title: string;
  lead: string;
  /** The simulated one; null on a real car. */
  simulated: { says: string; onJoin: () => void } | null;
  state: { joining: boolean; refused: string | null };
  /** Whether what is set up can be used. */
  ready?: boolean;
  children: ReactNode;
  onSerial: () => void;
  onClose: () => void;
}) {
  return (
    <Dialog open onClose={onClose} className="relative z-40">
      <DialogBackdrop className="fixed inset-0 bg-veil" />
      <div className="fixed inset-0 grid place-items-center overflow-y-auto p-4">
        <DialogPanel className="max-h-full w-full max-w-2xl overflow-y-auto rounded-2xl border border-rule bg-card p-5">
          <DialogTitle className="text-lg font-semibold">{title}</DialogTitle>
          <p className="text-sm text-muted">{lead}</p>
          {simulated && (
            <Cap className="mt-3 border-plum!" disabled={joining} onClick={simulated.onJoin}>
              {simulated.says}
            </Cap>
          )}
          {children}
          {refused && (
            <p role="alert" className="mt-3 rounded-xl border border-brick bg-brick-wash p-3">
              {refused}
            </p>
          )}
          {!hasSerial() && (
            <p className="mt-3 text-sm text-muted">{t`This browser hands out no serial ports. Chromium-based browsers on a computer do.`}</p>
          )}
          <div className="mt-4 flex flex-wrap gap-2">
            <Cap lead disabled={joining || !ready || !hasSerial()} onClick={onSerial}>
              {joining ? t`connecting…` : t`choose the port`}
            </Cap>
            <Cap legend="Esc" onClick={onClose}>{t`close`}</Cap>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
