import { t } from "../core/words/words";

/** What a question is answered with, or a rejection once it has been asked in vain for so long. */
export async function answered<T>(question: Promise<T>, withinMs: number): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const silence = new Promise<never>((_, reject) => {
    timer = setTimeout(
      () =>
        reject(new Error(t`the browser's store does not answer; close other tabs of this program and load it again`)),
      withinMs,
    );
  });
  try {
    return await Promise.race([question, silence]);
  } finally {
    clearTimeout(timer);
  }
}
