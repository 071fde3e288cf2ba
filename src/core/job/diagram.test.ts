import { expect, it } from "vitest";
import { diagramSchema, drawnAt, withoutTerminal, withTerminal, type Diagram } from "./diagram";

const empty: Diagram = { photoId: "p", name: "page 12.pdf", points: [] };

it("a terminal is drawn once, inside the picture, and can be taken off", () => {
  const once = withTerminal(empty, { station: "c1", conductor: "supply", x: 0.2, y: 0.3 });
  const moved = withTerminal(once, { station: "c1", conductor: "supply", x: 1.4, y: -0.1 });
  const both = withTerminal(moved, { station: "plug", conductor: "supply", x: 0.5, y: 0.5 });
  expect(both.points).toHaveLength(2);
  expect(drawnAt(both, { station: "c1", conductor: "supply" })).toMatchObject({ x: 1, y: 0 });
  expect(diagramSchema.safeParse(both).success).toBe(true);
  expect(withoutTerminal(both, { station: "c1", conductor: "supply" }).points.map(({ station }) => station)).toEqual([
    "plug",
  ]);
  expect(drawnAt(empty, { station: "c1", conductor: "supply" })).toBeUndefined();
});
