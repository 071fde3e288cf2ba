"use client";
import { t } from "@/core/words/words";
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions, Dialog, DialogPanel } from "@headlessui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Command } from "./command";

/** The open palette: what is typed narrows the list, Enter goes there. */
export function PaletteDialog({ commands, onClose }: { commands: readonly Command[]; onClose: () => void }) {
  const router = useRouter();
  const [query, setQuery] = useState("");
  const wanted = query.toLowerCase();
  const found = commands.filter(({ say }) => say.toLowerCase().includes(wanted));
  return (
    <Dialog open onClose={onClose} className="relative z-40">
      <div className="fixed inset-0 bg-veil" aria-hidden="true" />
      <div className="fixed inset-0 flex justify-center p-4 pt-24">
        <DialogPanel className="h-fit w-full max-w-lg rounded-2xl bg-card p-3">
          <Combobox
            onChange={(command: Command | null) => {
              if (!command) return;
              onClose();
              router.push(command.path);
            }}
          >
            <ComboboxInput
              autoFocus
              aria-label={t`Find anything`}
              placeholder={t`where to…`}
              className="min-h-12 w-full rounded-lg border border-rule bg-paper px-3 text-lg"
              onChange={(event) => setQuery(event.target.value)}
            />
            <ComboboxOptions static className="mt-2 grid max-h-80 overflow-y-auto">
              {found.map((command) => (
                <ComboboxOption
                  key={command.id}
                  value={command}
                  className="min-h-11 cursor-pointer rounded-lg px-3 py-2 data-focus:bg-marigold-wash"
                >
                  {command.say}
                </ComboboxOption>
              ))}
              {found.length === 0 && <p className="p-3 text-muted">{t`Nothing of that name.`}</p>}
            </ComboboxOptions>
          </Combobox>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
