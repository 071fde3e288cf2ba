import { expect, it, vi } from "vitest";
import { Patience } from "./patience";

const hangs = () => new Promise<never>(() => undefined);
const after = (ms: number) => new Promise((go) => setTimeout(go, ms));

it("a store that hangs is told like one that refuses; one that answers or refuses itself is left alone", async () => {
  const store = new Patience();
  await expect(store.answered(hangs, 20)).rejects.toThrow(/does not answer/);
  await expect(store.answered(async () => 7, 20)).resolves.toBe(7);
  await expect(store.answered(() => Promise.reject(new Error("full")), 20)).rejects.toThrow("full");
});

it("a long list that keeps coming is no hang; one that stops in the middle is", async () => {
  const store = new Patience();
  const list = (parts: number, ends: boolean) => async (heard: () => void) => {
    for (let i = 0; i < parts; i++) {
      await after(10);
      heard();
    }
    return ends ? parts : hangs();
  };
  await expect(store.answered(list(12, true), 60)).resolves.toBe(12);
  await expect(store.answered(list(3, false), 60)).rejects.toThrow(/does not answer/);
});

it("after a silence the next questions give up in a moment; what answers, and some time, give the store its chance again", async () => {
  vi.useFakeTimers();
  const store = new Patience();
  /** Milliseconds until a question to a store that hangs is given up. */
  const givenUpAfter = async () => {
    const from = Date.now();
    let after = NaN;
    store.answered(hangs, 8000).catch(() => (after = Date.now() - from));
    await vi.advanceTimersByTimeAsync(8000);
    return after;
  };
  const inARow = async () => {
    const from = Date.now();
    const failed = store.answered(hangs, 8000).catch(() => store.answered(hangs, 8000).catch(() => Date.now() - from));
    await vi.advanceTimersByTimeAsync(20_000);
    return failed;
  };
  expect(await inARow()).toBe(9000);
  expect(await givenUpAfter()).toBe(8000);
  const slow = store
    .answered(() => new Promise<number>((tell) => setTimeout(() => tell(5), 7000)), 8000)
    .catch(() => "given up");
  await vi.advanceTimersByTimeAsync(7000);
  expect(await slow).toBe("given up");
  await expect(store.answered(async () => 7, 8000)).resolves.toBe(7);
  expect(await givenUpAfter()).toBe(8000);
  // A list that is given up and comes in late all the same leaves the next question its whole wait.
  let late = () => {};
  const given = store.answered((heard) => ((late = heard), hangs()), 8000).catch(() => "given up");
  await vi.advanceTimersByTimeAsync(8000);
  expect(await given).toBe("given up");
  late();
  await vi.advanceTimersByTimeAsync(8000);
  expect(await givenUpAfter()).toBe(8000);
  vi.useRealTimers();
});
