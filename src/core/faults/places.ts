import { t } from "../words/words";
import { conductorsOf, spansOf, stationsOf, type CornerSetup } from "../circuit/setup";
import type { Place } from "./fault";

/** Every conductor of every span; longer and rougher stretches carry more of the prior. */
export function everySpan(setup: CornerSetup): Place[] {
  const conductors = conductorsOf[setup.family];
  const spans = spansOf(setup);
  const burden = spans.map(
    ({ spanM, exposure = 1 }, i) => (0.5 + spanM) * exposure * (i === spans.length - 1 ? 1.5 : 1),
  );
  const total = burden.reduce((sum, value) => sum + value, 0) * conductors.length;
  return spans.flatMap((_, span) =>
    conductors.map((conductor, wire) => ({
      id: `span${span + 1}.${conductor}`,
      span,
      wire,
      conductor,
      share: burden[span]! / total,
    })),
  );
}

/** One place a span, for damage that joins two wires. */
export function everySpanOnce(setup: CornerSetup): Place[] {
  const merged = new Map<number, Place>();
  for (const place of everySpan(setup)) {
    const known = merged.get(place.span!);
    if (known) known.share += place.share;
    else merged.set(place.span!, { id: `span${place.span! + 1}`, span: place.span!, wire: 0, share: place.share });
  }
  return [...merged.values()];
}

/** Every terminal of every connector; the sensor plug suffers most, the module's own plug least. */
export function everyTerminal(setup: CornerSetup): Place[] {
  const conductors = conductorsOf[setup.family];
  return everyConnector(setup).flatMap((place) =>
    conductors.map((conductor, wire) => ({
      ...place,
      id: `${place.id}.${conductor}`,
      wire,
      conductor,
      share: place.share / conductors.length,
    })),
  );
}

export function everyConnector(setup: CornerSetup): Place[] {
  const stations = stationsOf(setup);
  const burden = stations.map(({ station }) => (station === "module" ? 0.4 : station === "plug" ? 2 : 1.2));
  const total = burden.reduce((sum, value) => sum + value, 0);
  return stations.map(({ station }, index) => ({ id: station, station: index, share: burden[index]! / total }));
}

/** `span2` as “span 2, frame-rail top”, `plug` as “sensor plug”. */
export function placeWords(place: Place, setup: CornerSetup): string {
  if (place.span !== undefined) {
    const landmark = spansOf(setup)[place.span]?.landmark;
    return t`span ${place.span + 1}${landmark ? `, ${landmark}` : ""}`;
  }
  if (place.station === undefined) return place.id;
  return stationWords(stationsOf(setup)[place.station]!.station);
}

export function stationWords(station: string): string {
  if (station === "module") return t`module plug`;
  if (station === "plug") return t`sensor plug`;
  return t`connector ${station.toUpperCase()}`;
}
