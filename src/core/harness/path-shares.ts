import { t } from "../words/words";
import { spansOf, stationsOf, type CornerSetup } from "../circuit/setup";
import type { Suspect } from "../verdict/suspects";

/** One thing along the path from module to bearing, with how much suspicion rests on it. */
export interface PathItem {
  kind: "station" | "span" | "sensor" | "gap" | "ring" | "bearing";
  id: string;
  name: string;
  /** A span's length alone, where there is no room for its landmark. */
  short?: string;
  detail: string;
  share: number;
}

/** The corner in its fixed order, module first, each item with its share likely. */
export function pathShares(
  setup: CornerSetup,
  suspects: readonly Pick<Suspect, "place" | "part" | "share">[],
): PathItem[] {
  const sum = (fits: (one: Pick<Suspect, "place" | "part" | "share">) => boolean) =>
    suspects.reduce((total, one) => total + (fits(one) ? one.share : 0), 0);
  const spans = spansOf(setup);
  const items: PathItem[] = [];
  stationsOf(setup).forEach(({ station, landmark }, i) => {
    const own = sum(
      ({ place, part }) =>
        place.split(".")[0] === station || (station === "module" && (part === "module" || part === "module-feed")),
    );
    items.push({
      kind: "station",
      id: station,
      name: station === "module" ? t`Module` : station === "plug" ? t`Plug` : station.toUpperCase(),
      detail: landmark ?? "",
      share: own,
    });
    const span = spans[i];
    if (span)
      items.push({
        kind: "span",
        id: `span${i + 1}`,
        name: t`span ${i + 1}`,
        short: t`${span.spanM} m`,
        detail: t`${span.spanM} m${span.landmark ? ` · ${span.landmark}` : ""}`,
        share: sum(({ place }) => place.split(".")[0] === `span${i + 1}`),
      });
  });
  items.push(
    { kind: "sensor", id: "sensor", name: t`Sensor`, detail: "", share: sum(({ part }) => part === "sensor") },
    { kind: "gap", id: "gap", name: t`Gap`, detail: "", share: sum(({ part }) => part === "mounting") },
    {
      kind: "ring",
      id: "ring",
      name: setup.family === "passive" ? t`Ring` : t`Encoder`,
      detail: "",
      share: sum(({ part }) => part === "ring" || part === "tyre"),
    },
    { kind: "bearing", id: "bearing", name: t`Bearing`, detail: "", share: sum(({ part }) => part === "bearing") },
  );
  return items;
}
