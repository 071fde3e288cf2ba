import { AXIS_STEPS, axisEnds } from "@/core/waveform/view";

/** Reads a colour token at an element, so that charts follow the theme. */
export function colourAt(element: Element): (token: string) => string {
  const style = getComputedStyle(element);
  return (token) => style.getPropertyValue(token);
}

type Colour = (token: string) => string;

/** Axis labels, lines and grid as every chart here has them. */
export function axisStyle(colour: Colour) {
  return {
    axisLabel: { color: colour("--muted"), fontSize: 13 },
    axisLine: { lineStyle: { color: colour("--rule") } },
    splitLine: { lineStyle: { color: colour("--rule") } },
  };
}

/** A value axis on which a recording that stands is drawn as a line, and not as its own noise from top to bottom. */
export function levelAxis(inVolts: boolean) {
  const end = (i: 0 | 1) => (seen: { min: number; max: number }) => axisEnds(seen.min, seen.max, inVolts)?.[i];
  return { type: "value", scale: true, min: end(0), max: end(1), splitNumber: AXIS_STEPS } as const;
}

/** The strip under a chart by which it is zoomed. */
export function zoomSlider(colour: Colour) {
  return {
    type: "slider" as const,
    borderColor: colour("--rule"),
    fillerColor: colour("--marigold-wash"),
    moveHandleStyle: { color: colour("--marigold") },
    handleStyle: { borderColor: colour("--marigold"), color: colour("--card") },
    dataBackground: { lineStyle: { color: colour("--muted") }, areaStyle: { color: colour("--rule") } },
    selectedDataBackground: { lineStyle: { color: colour("--ink") }, areaStyle: { color: colour("--muted") } },
    showDetail: false,
  };
}
