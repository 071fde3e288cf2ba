import { t } from "../words/words";
import { usualExplain, type ExplainSettings } from "./explain";

/** A short lesson: where the sliders start, what to move, and what it shows. */
export interface Lesson {
  title: string;
  start: Partial<ExplainSettings>;
  text: string;
  move: string;
}

export const lessons: readonly Lesson[] = [
  {
    get title() {
      return t`What makes the voltage`;
    },
    start: { family: "passive", gapMm: 0.4 },
    get text() {
      return t`A passive sensor is a magnet and a coil. Every passing tooth bends its field, and a changing field makes a voltage: the faster the change, the higher.`;
    },
    get move() {
      return t`Move the speed. AC volts and hertz rise together in a straight line.`;
    },
  },
  {
    get title() {
      return t`Why the gap matters so much`;
    },
    start: { family: "passive", gapMm: 0.4 },
    get text() {
      return t`The field of a toothed ring dies away within a tooth's width. A millimetre of rust under the foot takes most of the signal.`;
    },
    get move() {
      return t`Open the gap from 0.4 to 1.6 mm and watch the AC volts.`;
    },
  },
  {
    get title() {
      return t`Why the ABS acts on a dry stop`;
    },
    start: { family: "passive", gapMm: 2, speedKmh: 12 },
    get text() {
      return t`Too small a signal is lost before the car stands. To the module the wheel stops dead.`;
    },
    get move() {
      return t`Slow down from 20 km/h. See at what speed the module loses it; then close the gap.`;
    },
  },
  {
    get title() {
      return t`Two currents say it all`;
    },
    start: { family: "active-2wire" },
    get text() {
      return t`An active two-wire sensor is fed by the module and draws about 7 or 14 mA. Over the sense resistor that makes two levels, the same at any speed.`;
    },
    get move() {
      return t`Move the speed: only the frequency changes, never the levels.`;
    },
  },
  {
    get title() {
      return t`One level, then the other`;
    },
    start: { family: "active-2wire", speedKmh: 1 },
    get text() {
      return t`Turned on by hand a few degrees at a time, the return stands at one level, then at the other: sensor, gap and ring are good there. One reading alone tells neither; one level over ten steps is a stuck sensor.`;
    },
    get move() {
      return t`Read the meter's DC lines: either level may be met. Open the gap to 4 mm and see which one is left.`;
    },
  },
  {
    get title() {
      return t`Levels differ from make to make`;
    },
    start: { family: "active-2wire", senseOhms: 60 },
    get text() {
      return t`The module reads the current across a resistor of its own, 30 to 300 Ω. 0.8 and 1.7 V is only the pair met most. What holds everywhere: the upper level is about twice the lower, and both sides of an axle agree.`;
    },
    get move() {
      return t`Move the sense resistor: both levels move together. Then chafe the wire: they sink though the resistor is the same.`;
    },
  },
  {
    get title() {
      return t`A wheel that runs out is no fault`;
    },
    start: { family: "passive", gapMm: 0.4, speedKmh: 14, spin: "runs-out" },
    get text() {
      return t`A wheel spun by hand slows: pulses spread, and a coil's height sinks with them. The last ones are far apart. A pulse counts as lost only where those beside it say that it had to come.`;
    },
    get move() {
      return t`The raster stays even. Take out two teeth: now the gap stands at one place, however slow the wheel.`;
    },
  },
  {
    get title() {
      return t`A missing chunk`;
    },
    start: { family: "active-2wire", missing: 2 },
    get text() {
      return t`With a piece of the encoder gone the output stays where it was until the next pole. It comes back at the same place each turn.`;
    },
    get move() {
      return t`Set missing poles from 0 to 4 and look at the trace and at what the module says.`;
    },
  },
  {
    get title() {
      return t`Excessive runout`;
    },
    start: { family: "active-2wire", runoutMm: 0.5 },
    get text() {
      return t`A ring that runs out comes nearer and goes away once a turn. The period swings with it.`;
    },
    get move() {
      return t`Raise the runout until poles begin to fail.`;
    },
  },
  {
    get title() {
      return t`Why 12 V proves nothing`;
    },
    start: { family: "active-2wire", contactOhms: 20_000 },
    get text() {
      return t`A meter draws next to nothing. Through 20 kΩ of green corrosion it still shows nearly all of the supply with nothing connected; as soon as the sensor asks for current, it is gone.`;
    },
    get move() {
      return t`Move the contact resistance from 0 to 50 kΩ and watch the supply at the plug under the sensor's load.`;
    },
  },
  {
    get title() {
      return t`A little resistance`;
    },
    start: { family: "active-2wire", contactOhms: 200 },
    get text() {
      return t`Some hundred ohms lower the supply at the sensor but leave both currents as they were: the module may not care, and still a terminal is going.`;
    },
    get move() {
      return t`Find the resistance at which the module loses the signal.`;
    },
  },
  {
    get title() {
      return t`Chafed to ground`;
    },
    start: { family: "active-2wire", chafeOhms: 300 },
    get text() {
      return t`A leak from the return wire to ground runs beside the sense resistor and steals part of the current: both levels sink together.`;
    },
    get move() {
      return t`Lower the chafe resistance and see when the levels leave their windows.`;
    },
  },
  {
    get title() {
      return t`Three wires`;
    },
    start: { family: "active-3wire" },
    get text() {
      return t`Supply, ground, and an output that pulls a line low. The module holds that line up through a resistor; a broken wire leaves it up.`;
    },
    get move() {
      return t`Raise the contact resistance, then the chafe, and compare.`;
    },
  },
];

/** The sliders as a lesson starts. */
export function lessonSettings(lesson: Lesson): ExplainSettings {
  return { ...usualExplain, ...lesson.start };
}
