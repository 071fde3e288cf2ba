/** What is written on the path: nothing over anything else, whatever the car and the readings. */
import { describe, expect, it } from "vitest";
import { seeded } from "@/core/random/random";
import { placeLabels, spanCaption, WIDTH } from "./path-layout";

describe("labels of pinned readings", () => {
  it("never lie over one another, touch their point, stay on the drawing, and the newest is always there", () => {
    const random = seeded(3);
    for (let drawing = 0; drawing < 200; drawing++) {
      const pins = Array.from({ length: 1 + Math.floor(8 * random()) }, () => ({
        x: 40 + (WIDTH - 80) * random() ** 2,
        label: "1.000 MΩ".slice(0, 3 + Math.floor(6 * random())),
      }));
      const places = placeLabels(pins);
      expect(places).toHaveLength(pins.length);
      expect(places.at(-1)).not.toBeNull();
      places.forEach((one, i) => {
        if (!one) return;
        expect(one.left).toBeGreaterThan(0);
        expect(one.left + one.width).toBeLessThan(WIDTH);
        expect(pins[i]!.x).toBeGreaterThan(one.left);
        expect(pins[i]!.x).toBeLessThan(one.left + one.width);
        const over = places.filter(
          (other) => other?.row === one.row && other.left < one.left + one.width && one.left < other.left + other.width,
        );
        expect(over).toEqual([one]);
      });
    }
  });
});

describe("a span's caption", () => {
  it("says as much as there is room for, the length last of all", () => {
    const span = { name: "span 2", short: "2.2 m", detail: "2.2 m · frame rail top" };
    expect(spanCaption(span, 400)).toBe("span 2 · 2.2 m · frame rail top");
    expect(spanCaption(span, 110)).toBe("span 2 · 2.2 m");
    expect(spanCaption(span, 50)).toBe("2.2 m");
    expect(spanCaption(span, 10)).toBe("");
  });
});
