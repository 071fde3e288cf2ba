import { expect, it } from "vitest";
import type { WheelMap } from "@/core/scanlog/bus/wheel-map";
import { keepBusMap, keptBusMap } from "./bus-map";

const map: WheelMap = {
  bits: 16,
  order: "high-first",
  signed: false,
  scale: 0.01,
  offsetKmh: 0,
  wheels: { FL: { id: 0x1a0, firstBit: 0 }, FR: { id: 0x1a0, firstBit: 16 } },
};

it("a model's bus map is found for the next car of it, the newest first, and for no car without a name", () => {
  keepBusMap("Osmund Drover 09", map);
  expect(keptBusMap("Osmund Drover 12")).toEqual(map);
  keepBusMap("Osmund Drover 12", { ...map, scale: 0.05 });
  expect(keptBusMap("Osmund Drover 09")?.scale).toBe(0.05);
  expect(keptBusMap("Tarnwick Pelican 3")).toBeNull();
  keepBusMap("", { ...map, bits: 12 });
  expect(keptBusMap("")).toBeNull();
});

it("the oldest of very many gives way", () => {
  for (let n = 0; n < 45; n++) keepBusMap(`Model ${"abcdefghij"[n % 10]}${"klmno"[Math.floor(n / 10)]}`, map);
  expect(keptBusMap("Model ak")).toBeNull();
  expect(keptBusMap("Model jn")).not.toBeNull();
});
