"use client";
import { FolderSync } from "lucide-react";
import { languageTag, t } from "@/core/words/words";
import { syncedWords } from "@/core/shared-folder/synced-words";
import { Cap } from "../keys/cap";
import { useShopFolder, type FolderState } from "./use-shop-folder";

/** How the shop's folder stands, in a line; nothing where there is none. */
export function FolderLine() {
  const { state, progress, openAgain } = useShopFolder();
  if (!state || state.kind === "none") return null;
  return (
    <div className="mb-2 flex flex-wrap items-center gap-x-3 gap-y-1 text-sm text-muted" role="status">
      <FolderSync size={16} aria-hidden />
      <span>{progress ? t`Workshop folder: ${progress.done} of ${progress.of}` : folderWords(state)}</span>
      {state.kind === "asks" && <Cap onClick={() => void openAgain()}>{t`open the folder again`}</Cap>}
    </div>
  );
}

/** What is to be said of it. */
export function folderWords(state: Exclude<FolderState, { kind: "none" }>): string {
  switch (state.kind) {
    case "asks":
      return t`Workshop folder “${state.name}”: the browser wants to be asked again before it opens it.`;
    case "failed":
      return t`Workshop folder “${state.name}” cannot be reached: ${state.why}. Nothing is lost: it catches up once it is there.`;
    case "joined":
      return state.last
        ? t`Workshop folder “${state.name}”: ${syncedWords(state.last)}, ${timeWords(state.last.at)}`
        : t`Workshop folder “${state.name}”`;
  }
}

function timeWords(at: string): string {
  return new Intl.DateTimeFormat(languageTag(), { hour: "2-digit", minute: "2-digit" }).format(new Date(at));
}
