import * as z from "zod/mini";
import { typedText } from "../units/typed-text";

/** Where on the picture a terminal is drawn, as parts of its width and height from the top left. */
const pointSchema = z.object({
  station: z.string().check(z.maxLength(10)),
  conductor: z.string().check(z.maxLength(10)),
  x: z.number().check(z.gte(0), z.lte(1)),
  y: z.number().check(z.gte(0), z.lte(1)),
});

/** A picture of the wiring diagram, and which terminals are drawn where on it. */
export const diagramSchema = z.object({
  /** The picture among the photos kept here. */
  photoId: z.string().check(z.minLength(1), z.maxLength(60)),
  name: typedText("fileName"),
  points: z.array(pointSchema).check(z.maxLength(400)),
});
export type Diagram = z.infer<typeof diagramSchema>;
export type DiagramPoint = Diagram["points"][number];

/** A terminal: a wire at a connector. */
export type Terminal = Pick<DiagramPoint, "station" | "conductor">;

/** Where a terminal is drawn; undefined where nobody said. */
export function drawnAt({ points }: Diagram, { station, conductor }: Terminal): DiagramPoint | undefined {
  return points.find((one) => one.station === station && one.conductor === conductor);
}

/** The diagram with a terminal drawn at this place and no other; what lies beside the picture is brought to its edge. */
export function withTerminal(diagram: Diagram, { station, conductor, x, y }: DiagramPoint): Diagram {
  const inside = (part: number) => Math.min(1, Math.max(0, part));
  return {
    ...diagram,
    points: [
      ...withoutTerminal(diagram, { station, conductor }).points,
      { station, conductor, x: inside(x), y: inside(y) },
    ],
  };
}

export function withoutTerminal(diagram: Diagram, { station, conductor }: Terminal): Diagram {
  return {
    ...diagram,
    points: diagram.points.filter((one) => one.station !== station || one.conductor !== conductor),
  };
}
