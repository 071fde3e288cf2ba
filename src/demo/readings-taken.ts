// Made by scripts/make-demo-readings.ts; not to be written by hand.

/** What was read on each car of the demo workshop, by the names of the checks. */
export const readingsTaken: Readonly<Record<string, readonly string[]>> = {
  "demo-pelican": ["scan:speed:on|||driven|30|", "film:encoder:off|||still|0|"],
  "demo-drover": ["gauge:gap:off|||still|0|"],
  "demo-skua": [
    "volts-dc:plug.out.return>battery.negative:on|||still|0|",
    "volts-dc:plug.out.supply>battery.negative:on|||still|0|",
    "volts-dc:plug.in.supply>battery.negative:on|||still|0|",
    "volts-dc:plug.in.supply>battery.negative:on|plug||still|0|",
    "volts-dc:c1.out.supply>c1.out.return:on|||still|0|",
    "ohms:c1.out.supply>plug.in.supply:off|c1+plug|b-|still|0|",
  ],
  "demo-heron": ["hertz:plug.out.return>battery.negative:on|||hand|7|"],
  "demo-plover": ["volts-dc:plug.out.return>battery.negative:on|||still|0|watched", "eyes:plug:off|||still|0|"],
  "demo-gannet": [
    "volts-dc:c1.out.supply>battery.negative:on|||still|0|watched",
    "eyes:plug:off|||still|0|",
    "volts-dc:plug.in.supply>battery.negative:on|plug||still|0|",
  ],
  "demo-wren": ["eyes:tyres:off|||still|0|", "eyes:count:off|||still|0|", "eyes:foot:off|||still|0|"],
  "demo-dunlin": [
    "volts-dc:c1.out.supply>battery.negative:on|||still|0|",
    "compare:other-supply:on|||still|0|",
    "volts-dc:c1.in.supply>battery.negative:on|||still|0|",
  ],
  "demo-siskin": ["eyes:ring:off|||still|0|"],
  "demo-curlew": [
    "volts-dc:c1.out.return>battery.negative:on|||still|0|",
    "film:encoder:off|||still|0|",
    "volts-dc:c1.out.return>battery.negative:on|||creep|0.5|",
    "volts-dc:c1.in.supply>battery.negative:on|||still|0|",
  ],
  "demo-knot": [
    "scan:speed:on|||driven|30|",
    "scan:speed:on|||driven|30|",
    "volts-dc:plug.out.ground>battery.negative:on|||still|0|",
    "volts-dc:plug.out.supply>battery.negative:on|||still|0|",
    "scan:which:on|||hand|7|",
    "compare:other-supply:on|||still|0|",
  ],
  "demo-fulmar": [
    "volts-dc:c1.out.supply>battery.negative:on|||still|0|",
    "volts-dc:c1.out.return>battery.negative:on|||still|0|",
  ],
  "demo-fulmar~FR": ["volts-dc:c1.out.return>battery.negative:on|||still|0|"],
};
