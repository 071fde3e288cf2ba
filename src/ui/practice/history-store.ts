"use client";
import * as z from "zod/mini";
import { keepText, keptText } from "@/store/small-texts";
import { scoreSchema, type Score } from "@/core/practice/history";

const KEY = "tastatura-practice";
const listeners = new Set<() => void>();
let cached: { text: string | null; scores: Score[] } = { text: null, scores: [] };

/** Finished practice cars, newest first. */
export function readHistory(): Score[] {
  const text = keptText(KEY);
  if (text === cached.text) return cached.scores;
  let stored: unknown = [];
  try {
    stored = JSON.parse(text ?? "[]");
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
  }
  const parsed = z.array(scoreSchema).safeParse(stored);
  cached = { text, scores: parsed.success ? parsed.data : [] };
  return cached.scores;
}

export function subscribeHistory(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Keeps a score, once per job. */
export function keepScore(score: Score): void {
  const rest = readHistory().filter(({ job }) => job !== score.job);
  keepText(KEY, JSON.stringify([score, ...rest].slice(0, 500)));
  listeners.forEach((listener) => listener());
}
