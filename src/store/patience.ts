import { t } from "../core/words/words";

/**
 * How long a store is waited for. What counts is silence: a long list that keeps coming is no hang. Who was just met with
 * silence waits no longer than a moment for the next, so that a room with ten questions says so once and not after ten times
 * the wait; any answer restores it, and so does some time: who tries again is not turned away by a store that is only slow.
 */
export class Patience {
  private shortUntil = 0;

  /** What a question is answered with, or a rejection once nothing of it was heard for so long. `heard` is called at each part of an answer. */
  async answered<T>(ask: (heard: () => void) => Promise<T>, withinMs: number): Promise<T> {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let heard = () => {};
    let isOver = false;
    const silence = new Promise<never>((_, reject) => {
      const wait = (ms: number) => {
        clearTimeout(timer);
        // What comes after it was given up says nothing of the next question.
        if (isOver) return;
        timer = setTimeout(() => {
          this.shortUntil = Date.now() + SHORT_FOR_MS;
          reject(new Error(t`the browser's store does not answer; close other tabs of this program and load it again`));
        }, ms);
      };
      heard = () => wait(withinMs);
      wait(Date.now() < this.shortUntil ? Math.min(withinMs, NO_MORE_THAN_MS) : withinMs);
    });
    try {
      const answer = await Promise.race([ask(heard), silence]);
      this.shortUntil = 0;
      return answer;
    } finally {
      isOver = true;
      clearTimeout(timer);
    }
  }
}

const [NO_MORE_THAN_MS, SHORT_FOR_MS] = [1000, 4000];
