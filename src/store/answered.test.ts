import { expect, it } from "vitest";
import { answered } from "./answered";

it("a store that hangs is told like one that refuses; one that answers or refuses itself is left alone", async () => {
  const hanging = new Promise<never>(() => undefined);
  await expect(answered(hanging, 20)).rejects.toThrow(/does not answer/);
  await expect(answered(Promise.resolve(7), 20)).resolves.toBe(7);
  await expect(answered(Promise.reject(new Error("full")), 20)).rejects.toThrow("full");
});
