"use client";
import dynamic from "next/dynamic";
import { useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import type { Command } from "./command";

const PaletteDialog = dynamic(() => import("./palette-dialog").then((module) => module.PaletteDialog), { ssr: false });

/** Find anything by typing: screens of this job and the rest of the house. */
export function Palette({ commands }: { commands: readonly Command[] }) {
  const [open, setOpen] = useState(false);
  useHotkeys("ctrl+k,meta+k", () => setOpen(true), { preventDefault: true, enableOnFormTags: true });
  return open ? <PaletteDialog commands={commands} onClose={() => setOpen(false)} /> : null;
}
