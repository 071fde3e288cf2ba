import { spansOf, stationsOf, type CornerSetup, type Span, type Station, type StationId } from "../circuit/setup";

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
 * The path with an inline connector moved to another place in the order, its span on the module side with it. It keeps
 * its name, so that what was read at it stays read at it. @param from and `to` count inline connectors from 0, module first
 */
export function withConnectorMoved(setup: CornerSetup, from: number, to: number): Path {
  const stations = stationsOf(setup);
  const spans = spansOf(setup);
  const pairs = stations.slice(1, -1).map((station, i) => ({ station, span: spans[i]! }));
  const [moved] = pairs.splice(from, 1);
  if (!moved) return setup.path;
  pairs.splice(to, 0, moved);
  return [stations[0]!, ...pairs.flatMap(({ station, span }) => [span, station]), spans.at(-1)!, stations.at(-1)!];
}

/**
 * The path with so many inline connectors. A new one halves the last span; the last one taken out joins its two spans;
 * what is known of the rest stays, each under its own name. A new one never takes a name that was given before.
 * @param named every connector that readings have been taken at, whether it is still there or not
 */
export function withConnectors(setup: CornerSetup, connectors: number, named: Iterable<StationId> = []): Path {
  const stations = stationsOf(setup);
  const spans = spansOf(setup).map((span) => ({ ...span }));
  const inline = stations.slice(1, -1);
  while (inline.length < connectors) {
    const last = spans.pop()!;
    const half = Math.max(0.1, Math.round(5 * last.spanM) / 10);
    spans.push({ ...last, spanM: half }, { ...last, spanM: half });
    inline.push({ station: freeName([...inline.map(({ station }) => station), ...named]), accessMin: 4 });
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

function freeName(taken: readonly StationId[]): StationId {
  const numbers = taken.map((one) => Number(one.slice(1))).filter(Number.isFinite);
  return `c${Math.max(0, ...numbers) + 1}`;
}
