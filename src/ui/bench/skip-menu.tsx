"use client";
import { t } from "@/core/words/words";
import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/react";
import { benchReasons, skipWords, type SkipReason } from "@/core/job/skip-reasons";
import { Cap } from "../keys/cap";

/** Puts a check off, with the reason the plan is to respect. */
export function SkipMenu({ off, onSkip }: { off: boolean; onSkip: (reason: SkipReason) => void }) {
  return (
    <Menu>
      <MenuButton as={Cap} legend="S" disabled={off}>{t`not now…`}</MenuButton>
      <MenuItems anchor="bottom start" className="z-30 grid rounded-xl border border-rule bg-card p-2 shadow-lg">
        {benchReasons.map((reason) => (
          <MenuItem key={reason}>
            <button
              type="button"
              className="min-h-11 rounded-lg px-3 text-left data-focus:bg-marigold-wash"
              onClick={() => onSkip(reason)}
            >
              {skipWords[reason]}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}
