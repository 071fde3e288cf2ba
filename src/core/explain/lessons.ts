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
    title: "What makes the voltage",
    start: { family: "passive", gapMm: 0.4 },
    text: "A passive sensor is a magnet and a coil. Every passing tooth bends its field, and a changing field makes a voltage: the faster the change, the higher.",
    move: "Move the speed. AC volts and hertz rise together in a straight line.",
  },
  {
    title: "Why the gap matters so much",
    start: { family: "passive", gapMm: 0.4 },
    text: "The field of a toothed ring dies away within a tooth's width. A millimetre of rust under the foot takes most of the signal.",
    move: "Open the gap from 0.4 to 1.6 mm and watch the AC volts.",
  },
  {
    title: "Why the ABS acts on a dry stop",
    start: { family: "passive", gapMm: 2, speedKmh: 12 },
    text: "Too small a signal is lost before the car stands. To the module the wheel stops dead.",
    move: "Slow down from 20 km/h. See at what speed the module loses it; then close the gap.",
  },
  {
    title: "Two currents say it all",
    start: { family: "active-2wire" },
    text: "An active two-wire sensor is fed by the module and draws about 7 or 14 mA. Over the sense resistor that makes two levels, the same at any speed.",
    move: "Move the speed: only the frequency changes, never the levels.",
  },
  {
    title: "A missing chunk",
    start: { family: "active-2wire", missing: 2 },
    text: "With a piece of the encoder gone the output stays where it was until the next pole. It comes back at the same place each turn.",
    move: "Set missing poles from 0 to 4 and look at the trace and at what the module says.",
  },
  {
    title: "Out of true",
    start: { family: "active-2wire", runoutMm: 0.5 },
    text: "A ring that runs out comes nearer and goes away once a turn. The period swings with it.",
    move: "Raise the runout until poles begin to fail.",
  },
  {
    title: "Why 12 V proves nothing",
    start: { family: "active-2wire", contactOhms: 20_000 },
    text: "A meter draws next to nothing. Through 20 kΩ of green corrosion it still shows nearly all of the supply with nothing connected; as soon as the sensor asks for current, it is gone.",
    move: "Move the contact resistance from 0 to 50 kΩ and watch the supply at the plug under the sensor's load.",
  },
  {
    title: "A little resistance",
    start: { family: "active-2wire", contactOhms: 200 },
    text: "Some hundred ohms lower the supply at the sensor but leave both currents as they were: the module may not care, and still a terminal is going.",
    move: "Find the resistance at which the module stops hearing.",
  },
  {
    title: "Chafed to ground",
    start: { family: "active-2wire", chafeOhms: 300 },
    text: "A leak from the return wire to ground runs beside the sense resistor and steals part of the current: both levels sink together.",
    move: "Lower the chafe resistance and see when the levels leave their windows.",
  },
  {
    title: "Three wires",
    start: { family: "active-3wire" },
    text: "Supply, ground, and an output that pulls a line low. The module holds that line up through a resistor; a broken wire leaves it up.",
    move: "Raise the contact resistance, then the chafe, and compare.",
  },
];

/** The sliders as a lesson starts. */
export function lessonSettings(lesson: Lesson): ExplainSettings {
  return { ...usualExplain, ...lesson.start };
}
