"use client";
import { errorWords } from "@/core/words/error-words";
import { t } from "@/core/words/words";
import { Cap } from "../keys/cap";
import { toast } from "../keys/toast";
import { FolderLine } from "./folder-line";
import { useShopFolder } from "./use-shop-folder";

/** One folder for all of a shop's machines: chosen, left, looked at now, and what in it could not be read. */
export function FolderPanel() {
  const { state, canChoose, choose, leave, look } = useShopFolder();
  const notRead = state?.kind === "joined" ? (state.last?.notRead ?? []) : [];
  const pick = () =>
    choose().catch((error: unknown) => {
      // Choosing none is no failure.
      if (error instanceof DOMException && error.name === "AbortError") return;
      toast.error(t`The folder cannot be used: ${errorWords(error)}`);
    });
  return (
    <section className="rounded-2xl border border-rule bg-card p-4" aria-label={t`Workshop folder`}>
      <h2 className="border-b border-rule pb-1 font-semibold">{t`Workshop folder`}</h2>
      <p className="pt-3">{t`A folder that several machines reach (a share, a stick, a synchronised folder): jobs, recordings and photos are written there as open files, and those of others are joined with what is here, reading by reading. It works on without the folder and catches up.`}</p>
      <p className="pt-1 text-sm text-muted">{t`What is deleted here stays in the folder for the others. Demo and practice cars are left out.`}</p>
      <div className="pt-2">
        <FolderLine />
      </div>
      {notRead.length > 0 && (
        <ul className="max-h-40 overflow-auto pt-1 text-sm text-muted">
          {notRead.map(({ name, why }) => (
            <li key={name} className="border-t border-rule py-1">
              {why}
            </li>
          ))}
        </ul>
      )}
      <div className="flex flex-wrap gap-2 pt-2">
        {state?.kind !== "none" && state && <Cap onClick={() => void look()}>{t`look now`}</Cap>}
        {canChoose && (
          <Cap onClick={() => void pick()}>
            {state && state.kind !== "none" ? t`choose another folder` : t`choose a folder`}
          </Cap>
        )}
        {state && state.kind !== "none" && <Cap onClick={() => void leave()}>{t`leave the folder`}</Cap>}
      </div>
      {!canChoose && (
        <p className="pt-2 text-muted">{t`This browser has no access to folders. Export jobs as files and import them on the other machine: they are joined just the same.`}</p>
      )}
    </section>
  );
}
