"use client";
import { useRef, type ReactNode } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { Cap } from "./cap";

interface FileCapProps {
  /** What the file is, for a screen reader: “Capture file”. */
  label: string;
  accept: string;
  hotkey?: string;
  capture?: "environment";
  onFile: (file: File) => void;
  children: ReactNode;
}

/** A cap that opens a file. The same file may be chosen twice in a row. */
export function FileCap({ label, accept, hotkey, capture, onFile, children }: FileCapProps) {
  const picker = useRef<HTMLInputElement>(null);
  useHotkeys(hotkey ?? "", () => picker.current?.click(), { enabled: hotkey !== undefined });
  return (
    <>
      <Cap {...(hotkey ? { legend: hotkey.toUpperCase() } : {})} onClick={() => picker.current?.click()}>
        {children}
      </Cap>
      <input
        ref={picker}
        type="file"
        accept={accept}
        {...(capture ? { capture } : {})}
        className="sr-only"
        tabIndex={-1}
        aria-label={label}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = "";
          if (file) onFile(file);
        }}
      />
    </>
  );
}
