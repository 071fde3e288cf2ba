"use client";
import { errorWords } from "@/core/words/error-words";
import { captureWorker } from "../query/workers";
import { gettext, t } from "@/core/words/words";
import { jt } from "../keys/words";
import { nanoid } from "nanoid";
import { useEffect, useState } from "react";
import { scopeAnswers } from "@/core/checks/scope-answers";
import { familyWords } from "@/core/circuit/setup";
import { mergeLibraries, searchLibrary, type LibraryItem } from "@/core/library/library";
import { formatQuantity } from "@/core/units/format";
import { loadCapture } from "@/store/captures";
import { addToLibrary, listLibrary, removeFromLibrary } from "@/store/library";

import { download } from "../jobs/download";
import { Cap } from "../keys/cap";
import { FileCap } from "../keys/file-cap";
import { PlainHeader } from "../keys/plain-header";
import { listShipped } from "./shipped";
import { toast } from "../keys/toast";

/** Known-good and known-bad recordings: the shop's own and the simulated ones that come with the app. */
export function LibraryScreen() {
  const [own, setOwn] = useState<LibraryItem[] | null>(null);
  const [shipped, setShipped] = useState<LibraryItem[]>([]);
  const [query, setQuery] = useState("");
  useEffect(() => {
    listLibrary().then(setOwn, (error: unknown) => toast.error(t`The library cannot be read: ${errorWords(error)}`));
    listShipped().then(setShipped, (error: unknown) => toast.error(errorWords(error)));
  }, []);
  const save = async () => {
    const items = own ?? [];
    const captures = (
      await Promise.all(
        items.map(async ({ captureId: id }) => {
          const capture = await loadCapture(id);
          return capture ? { id, capture } : null;
        }),
      )
    ).filter((one) => one !== null);
    download(
      "library.zip",
      await captureWorker.ask((remote) => remote.packLibrary(items, captures)),
      "application/zip",
    );
  };
  const take = async (file: File) => {
    const read = await captureWorker.ask((remote) => remote.unpackLibrary(file));
    if (!read.ok) return toast.error(read.say);
    const { added, known, clashing } = mergeLibraries(own ?? [], read.items, () => nanoid(10));
    try {
      await addToLibrary(added, read.captures);
    } catch (error) {
      return toast.error(t`The store would not take it: ${errorWords(error)}. Nothing of yours was changed.`);
    } finally {
      setOwn(await listLibrary());
    }
    toast(
      t`${added.length} added, ${known} were here already${clashing ? t`, ${clashing} clashed and stand beside yours` : ""}.`,
    );
  };
  const remove = async (item: LibraryItem) => {
    await removeFromLibrary(item.id);
    setOwn(await listLibrary());
    toast(t`Taken off the shelf: ${item.model}.`, {
      action: {
        label: t`put back`,
        onClick: () => void addToLibrary([item], []).then(() => listLibrary().then(setOwn)),
      },
    });
  };
  return (
    <>
      <PlainHeader title={t`Library`} />
      <main className="mx-auto grid max-w-6xl gap-4 p-4">
        <div className="flex flex-wrap items-center gap-3">
          <input
            type="search"
            value={query}
            aria-label={t`Search the library`}
            placeholder={t`model, good, bad, finding, passive…`}
            className="min-h-12 min-w-60 flex-1 rounded-lg border border-rule bg-card px-3 text-lg"
            onChange={(event) => setQuery(event.target.value)}
          />
          <FileCap
            label={t`Library file`}
            accept=".zip"
            onFile={(file) => void take(file)}
          >{t`open another shop's`}</FileCap>
          <Cap disabled={!own?.length} onClick={() => void save()}>{t`save ours as a file`}</Cap>
        </div>
        <Shelf
          title={t`Our own recordings`}
          items={searchLibrary(own ?? [], query)}
          empty={
            own?.length
              ? t`None of ours has all these words.`
              : t`None yet. Keep one from Waves: published levels are rarely to be had, so a good capture of your own is worth keeping. Names and plates are left out.`
          }
          onRemove={remove}
        />
        <Shelf
          title={t`Come with the app: simulated, not measured on any car`}
          items={searchLibrary(shipped, query)}
          empty={t`None of these has all these words.`}
        />
        <p className="text-sm text-muted">{t`To hold a capture against one of these, or to tighten a job by a known-good, open the job's Waves.`}</p>
      </main>
    </>
  );
}

function Shelf({
  title,
  items,
  empty,
  onRemove,
}: {
  title: string;
  items: readonly LibraryItem[];
  empty: string;
  onRemove?: (item: LibraryItem) => Promise<unknown>;
}) {
  return (
    <section className="overflow-x-auto rounded-2xl border border-rule bg-card p-4" aria-label={title}>
      <h2 className="border-b border-rule pb-1 text-sm font-semibold text-muted">{title}</h2>
      {items.length === 0 ? (
        <p className="py-4 text-muted">{empty}</p>
      ) : (
        <table className="w-full">
          <thead>
            <tr className="text-left text-sm text-muted">
              {[t`what`, t`sensor`, t`pulses`, t`low`, t`high`, t`for speed`, t`shows`, ""].map((head) => (
                <th key={head} className="pr-3 font-normal">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {items.map((item) => (
              <tr key={item.id} className="border-t border-rule">
                <td className="py-2 pr-3">
                  <b className={item.kind === "known-good" ? "text-verdigris" : "text-brick"}>
                    {item.kind === "known-good" ? t`✓ good` : t`✕ bad`}
                  </b>{" "}
                  {gettext(item.model)}
                </td>
                <td className="pr-3 whitespace-nowrap">{familyWords[item.family]}</td>
                <td className="pr-3 font-mono whitespace-nowrap">{item.pulses}</td>
                <td className="pr-3 font-mono whitespace-nowrap">{volts(item.levels?.lowV)}</td>
                <td className="pr-3 font-mono whitespace-nowrap">{volts(item.levels?.highV)}</td>
                <td className="pr-3 font-mono whitespace-nowrap">
                  {item.levels?.millivoltsPerKmh ? t`${item.levels.millivoltsPerKmh.toFixed(0)} mV per km/h` : "–"}
                </td>
                <td className="pr-3 text-sm">{scopeAnswers().say[item.finding] ?? item.finding}</td>
                <td>
                  {onRemove && (
                    <button
                      type="button"
                      className="min-h-11 px-2 text-sm text-muted underline"
                      onClick={() => void onRemove(item)}
                    >{jt`take off${(<span className="sr-only"> {item.model}</span>)}`}</button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

function volts(value: number | null | undefined): string {
  return value == null ? "–" : formatQuantity(value, "volts");
}
