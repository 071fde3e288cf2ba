"use client";
import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/react";
import { useHotkeys } from "react-hotkeys-hook";
import { t } from "@/core/words/words";
import { canFollowFiles } from "@/instruments/file-source";
import { Cap } from "../keys/cap";

/** Where a recording comes from that is looked at while it is made. */
export function LiveMenu({
  onSound,
  onScope,
  onFile,
  onFolder,
}: {
  onSound: () => void;
  onScope: () => void;
  onFile: () => void;
  onFolder: () => void;
}) {
  useHotkeys("s", onSound);
  useHotkeys("v", onScope);
  useHotkeys("d", onFile, { enabled: canFollowFiles() });
  const ways = [
    { key: "S", says: t`listen to the sound input`, open: onSound },
    { key: "V", says: t`connect an oscilloscope`, open: onScope },
    ...(canFollowFiles()
      ? [
          { key: "D", says: t`follow a growing file`, open: onFile },
          { key: "", says: t`follow a folder`, open: onFolder },
        ]
      : []),
  ];
  return (
    <Menu>
      <MenuButton as={Cap} legend={ways.map(({ key }) => key).join(" ")}>
        {t`record live`} ▾
      </MenuButton>
      <MenuItems anchor="bottom start" className="z-30 grid rounded-xl border border-rule bg-card p-2 shadow-lg">
        {ways.map(({ key, says, open }) => (
          <MenuItem key={says}>
            <button
              type="button"
              className="flex min-h-11 items-center gap-3 rounded-lg px-3 text-left data-focus:bg-marigold-wash"
              onClick={open}
            >
              <span className="w-4 font-mono text-sm text-muted" aria-hidden="true">
                {key}
              </span>
              {says}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}
