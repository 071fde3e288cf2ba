"use client";
import { Fragment, useEffect, useState, useSyncExternalStore, type ReactNode } from "react";
import { languages } from "@/core/settings/settings";
import { languageTag } from "@/core/words/words";
import { useSettings } from "../settings/use-settings";

const never = () => () => undefined;

/**
 * Has the program speak the chosen language, or the machine's own, and speak another at once when it is changed. It is
 * drawn in the browser only: what is shown lies in the browser's store.
 */
export function Spoken({ children }: { children: ReactNode }) {
  const here = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  const { language } = useSettings().settings;
  const wanted = language ?? (here ? machineLanguage() : "en");
  const [spoken, setSpoken] = useState("en");
  useEffect(() => {
    let live = true;
    void speakIn(wanted).then(() => {
      document.documentElement.lang = languageTag();
      if (live) setSpoken(wanted);
    });
    return () => {
      live = false;
    };
  }, [wanted]);
  if (!here || (spoken !== wanted && languageTag() === "en" && wanted !== "en")) return null;
  return <Fragment key={spoken}>{children}</Fragment>;
}

function machineLanguage(): string {
  const known: readonly string[] = languages;
  return navigator.languages.map((one) => one.slice(0, 2)).find((one) => known.includes(one)) ?? "en";
}

/** Loads a catalogue and has the page speak it; English where there is none. */
async function speakIn(tag: string): Promise<void> {
  if (tag === languageTag()) return;
  const { hush, speak } = await import("@/words/tongue");
  if (tag === "en") return hush();
  const answer = await fetch(`/words/${tag}.json`).catch(() => null);
  if (answer?.ok) speak(await answer.json());
  else hush();
}
