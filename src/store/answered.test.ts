import { expect, it } from "vitest";
import { Patience } from "./answered";

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

it("after one silence the next question gives up in a moment, until something answers again", async () => {
  const store = new Patience();
  await expect(store.answered(hangs, 10)).rejects.toThrow();
  const order: string[] = [];
  const impatient = store.answered(hangs, 60_000).catch(() => order.push("given up"));
  await Promise.all([impatient, after(1500).then(() => order.push("later"))]);
  expect(order).toEqual(["given up", "later"]);
  await store.answered(async () => 1, 10);
  await expect(Promise.race([store.answered(hangs, 60_000), after(1300).then(() => "still waiting")])).resolves.toBe(
    "still waiting",
  );
});
