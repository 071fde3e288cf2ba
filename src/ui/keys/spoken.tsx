"use client";
import { Fragment, useEffect, useState, useSyncExternalStore, type ReactNode } from "react";
import { languageWanted } from "@/core/settings/language";
import { languageTag } from "@/core/words/words";
import { useSettings } from "../settings/use-settings";

const never = () => () => undefined;

/**
 * Has the program speak the chosen language, or the machine's own, and speak another at once when it is changed. What a
 * room shows lies in the browser's store; until that and the words are there stands the shell the server has made.
 */
export function Spoken({ shell, children }: { shell: ReactNode; children: ReactNode }) {
  const here = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  const { language } = useSettings().settings;
  const wanted = here ? languageWanted(language, navigator.languages.join()) : "en";
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
  if (!here || (spoken !== wanted && languageTag() === "en" && wanted !== "en")) return shell;
  return <Fragment key={spoken}>{children}</Fragment>;
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
