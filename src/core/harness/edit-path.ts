import { spansOf, stationsOf, type CornerSetup, type Span, type Station } from "../circuit/setup";

type Path = CornerSetup["path"];

/** The path with one station changed. */
export function withStation(setup: CornerSetup, index: number, parts: Partial<Station>): Path {
  return setup.path.map((part, i) => (i === 2 * index ? { ...part, ...parts } : part)) as Path;
}

/** The path with one span changed. */
export function withSpan(setup: CornerSetup, index: number, parts: Partial<Span>): Path {
  return setup.path.map((part, i) => (i === 2 * index + 1 ? { ...part, ...parts } : part)) as Path;
}

/**
 * The path with so many inline connectors. A new one halves the last span; one taken out joins its two spans; what is
 * known of the rest stays.
 */
export function withConnectors(setup: CornerSetup, connectors: number): Path {
  const stations = stationsOf(setup);
  const spans = spansOf(setup).map((span) => ({ ...span }));
  const inline = stations.slice(1, -1);
  while (inline.length < connectors) {
    const last = spans.pop()!;
    const half = Math.max(0.1, Math.round(5 * last.spanM) / 10);
    spans.push({ ...last, spanM: half }, { ...last, spanM: half });
    inline.push({ station: `c${inline.length + 1}`, accessMin: 4 });
  }
  while (inline.length > Math.max(0, connectors)) {
    const last = spans.pop()!;
    const before = spans.pop()!;
    spans.push({ ...before, spanM: Math.round(10 * (before.spanM + last.spanM)) / 10 });
    inline.pop();
  }
  const path: Path = [stations[0]!];
  [...inline, stations.at(-1)!].forEach((station, i) => path.push(spans[i]!, station));
  return path;
}
