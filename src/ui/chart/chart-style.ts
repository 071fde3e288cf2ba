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
