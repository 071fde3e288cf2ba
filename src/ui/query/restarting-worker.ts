import type { Remote, wrap } from "comlink";
import { languageTag, t } from "@/core/words/words";
import { toast } from "../keys/toast";

/** What every worker can be told: the language its sentences are made in. */
interface Speaks {
  speak: (tag: string) => Promise<void> | void;
}

/**
 * A worker that is started when first asked, told the language of the page before it is asked anything, and started
 * again when it dies: what it was asked is then refused, so that whoever asked can ask once more.
 */
export class RestartingWorker<Api extends Speaks> {
  readonly #make: () => Worker;
  #running: Running<Api> | null = null;

  constructor(make: () => Worker) {
    this.#make = make;
  }

  /** Asks the worker. @throws Error when it dies before it has answered */
  async ask<Answer>(question: (remote: Remote<Api>) => Answer): Promise<Awaited<Answer>> {
    // No part of the first view: nothing is asked before there is something to ask about.
    const comlink = await import("comlink");
    const running = (this.#running ??= this.#start(comlink.wrap));
    if (running.tag !== languageTag()) {
      running.tag = languageTag();
      running.spoken = running.remote.speak(languageTag()) as Promise<void>;
    }
    await whileAlive(running, running.spoken);
    return whileAlive(running, question(running.remote));
  }

  /** Ends the worker, whatever it is at. */
  stop(): void {
    this.#running?.give(new WorkerStopped());
  }

  #start(wrapped: typeof wrap): Running<Api> {
    const worker = this.#make();
    const remote = wrapped<Api>(worker);
    const running: Running<Api> = {
      ...{ remote, tag: "en", spoken: Promise.resolve(), waiting: new Set(), ended: null },
      give: (why) => {
        worker.terminate();
        if (this.#running === running) this.#running = null;
        running.ended = why;
        for (const refuse of running.waiting) refuse(why);
      },
    };
    worker.addEventListener("error", (event) => {
      event.preventDefault();
      toast.error(t`The part that works out the sums stopped and is started again. Nothing logged is lost.`);
      running.give(new Error(event.message || t`it could not be loaded`));
    });
    return running;
  }
}

interface Running<Api> {
  remote: Remote<Api>;
  tag: string;
  spoken: Promise<void>;
  /** Refuses what is being waited for. */
  waiting: Set<(why: Error) => void>;
  /** Why it ended; null while it lives. */
  ended: Error | null;
  give: (why: Error) => void;
}

/**
 * What a worker answers, or a rejection when it dies before. Not a race with its death: a promise that is pending for a day
 * holds on to every answer that it was raced with.
 */
function whileAlive<Answer>(
  { waiting, ended }: Pick<Running<Speaks>, "waiting" | "ended">,
  answer: Answer,
): Promise<Awaited<Answer>> {
  return new Promise((resolve, reject) => {
    if (ended) return reject(ended);
    waiting.add(reject);
    Promise.resolve(answer)
      .finally(() => waiting.delete(reject))
      .then(resolve, reject);
  });
}

/** A worker that was ended on purpose; nobody needs telling. */
export class WorkerStopped extends Error {}
