import { t } from "../words/words";
import { stands, dust } from "./repair-words";
import {
  ONE_IN_EIGHT,
  ONE_IN_THREE,
  TWO_IN_THREE,
  activeFamilies,
  everyFamily,
  logBetween,
  oneOf,
  onlyPlace,
  within,
  type Fault,
} from "./fault";

const atRing = onlyPlace("ring");

/** Faults of the tone ring or encoder, the bearing that carries it, and the tyre that turns it. */
export const ringFaults: Fault[] = [
  {
    code: "ring-missing",
    part: "ring",
    weight: 0.45,
    families: everyFamily,
    intermittent: false,
    effect: "count",
    places: atRing,
    apply: (car, _, draw) => {
      car.signs["encoder-gap"] = 0.95;
      // The whole ring: split and fallen off, loose on its shaft, or a part fitted that has none.
      if (draw("kind") > ONE_IN_EIGHT) {
        car.ring.absent = true;
        car.signs["ring-damaged"] = 0.93;
        return;
      }
      car.ring.missing = { start: oneOf(draw(0), car.ring.pulses), count: 1 + oneOf(draw(1) ** 2, 4) };
      car.signs["ring-damaged"] = 0.75;
    },
    words: () => t`Ring has lost teeth, or the encoder a chunk`,
    clearedBy: (_, { family }) =>
      family === "passive"
        ? t`A whole ring, seen all the way round, or a capture with every pulse.`
        : t`A whole ring under the viewing film, or a capture with every pulse.`,
  },
  {
    code: "ring-cracked",
    part: "ring",
    weight: 0.3,
    families: everyFamily,
    intermittent: false,
    effect: "count",
    places: onlyPlace("ring-crack"),
    apply: (car, _, draw) => {
      car.ring.crack = { tooth: oneOf(draw(0), car.ring.pulses), pitches: within(draw(1), 0.12, 0.45) };
      car.signs["ring-damaged"] = 0.7;
      car.signs["encoder-gap"] = 0.6;
    },
    words: () => t`Ring cracked`,
    clearedBy: () => t`A capture with even pulses all the way round.`,
  },
  {
    code: "ring-debris",
    part: "ring",
    weight: 0.15,
    families: everyFamily,
    intermittent: false,
    effect: "weak",
    places: onlyPlace("ring-debris"),
    apply: (car, _, draw) => {
      car.signs["ring-debris"] = 0.85;
      // Packed all round it leaves shallow teeth, or bridges the poles of an encoder (domain, section 5).
      if (draw("kind") < ONE_IN_THREE) car.ring.strength = logBetween(draw(1), 0.12, 0.6);
      // On an encoder it is also carried about and takes the weakest poles now here, now there.
      else if (car.switchField > 0 && draw("kind") > TWO_IN_THREE) car.ring.wobble = within(draw(1), 0.02, 0.2);
      else
        car.ring.odd = {
          tooth: oneOf(draw(0), car.ring.pulses),
          height: within(draw(1), 0.2, 0.6),
          shift: within(draw(2), 0.05, 0.25),
        };
    },
    words: () => t`Debris or a bent tooth on the ring`,
    clearedBy: () => t`A clean ring, seen.`,
    repair: {
      get title() {
        return t`Clean the ring`;
      },
      get steps() {
        return [
          t`Wheel off, sensor out if it comes easily.`,
          t`Clean the ring all round with a soft brush; pick packed rust out of every gap.`,
          t`Look at each tooth while turning once.`,
        ];
      },
      newPart: [],
      cautions: [stands(), dust()],
      get torques() {
        return [t`sensor screw`, t`wheel nuts`];
      },
      partsCost: 0,
      labourMin: 45,
    },
  },
  {
    code: "encoder-reversed",
    part: "ring",
    weight: 0.06,
    families: activeFamilies,
    intermittent: false,
    effect: "no-signal",
    places: onlyPlace("ring-reversed"),
    apply: (car) => {
      car.ring.absent = true;
      car.signs["encoder-gap"] = 0.95;
    },
    words: () => t`Bearing fitted with its encoder on the wrong side, or the wrong bearing`,
    clearedBy: () => t`Stripes under the viewing film on the sensor side.`,
    repair: {
      get title() {
        return t`Fit the bearing the right way round`;
      },
      get steps() {
        return [
          t`Press out the bearing; do not use it again.`,
          t`Fit a new one with its encoder face toward the sensor; pressed into the knuckle by its outer ring; then the hub into it with the inner ring supported.`,
          t`Turn it under the viewing film once more before the hub goes in.`,
        ];
      },
      get newPart() {
        return [t`Viewing film on both faces: the striped one is the encoder.`, t`Never drop it, keep it off magnets.`];
      },
      get cautions() {
        return [stands(), t`Eye protection at the press.`];
      },
      get torques() {
        return [t`hub nut`, t`caliper carrier`, t`wheel nuts`];
      },
      partsCost: 110,
      labourMin: 120,
    },
  },
  {
    code: "ring-count",
    part: "ring",
    weight: 0.03,
    families: everyFamily,
    intermittent: false,
    effect: "count",
    places: onlyPlace("ring-count"),
    apply: (car, _, draw) => {
      const other = Math.max(1, 1 + oneOf(draw(0), 4));
      car.ring.countRatio = (car.ring.pulses + (draw("kind") < 0.5 ? other : -other)) / car.ring.pulses;
      car.signs["ring-count"] = 0.95;
    },
    words: () => t`Ring or bearing with another number of teeth or poles`,
    clearedBy: () => t`The count of teeth, or of pulses in one turn, as the maker lists it.`,
  },
  {
    code: "ring-eccentric",
    part: "ring",
    weight: 0.04,
    families: everyFamily,
    intermittent: false,
    effect: "erratic",
    places: onlyPlace("ring-eccentric"),
    apply: (car, _, draw) => {
      // Half of what a dial gauge shows in all: some modules take offence at a quarter of a millimetre (judgement).
      car.ring.runoutMm = logBetween(draw(0), 0.12, 0.9);
    },
    words: () => t`Excessive ring runout`,
    clearedBy: () => t`A capture without a once-per-turn wave.`,
  },
  {
    code: "bearing-play",
    part: "bearing",
    weight: 1,
    families: everyFamily,
    intermittent: false,
    effect: "erratic",
    places: onlyPlace("bearing"),
    apply: (car, _, draw) => {
      car.ring.runoutMm = logBetween(draw(0), 0.1, 0.6);
      car.ring.wobble = within(draw(1), 0, 0.4);
      // Turned gently the hub finds its middle as often as not, and a gauge on the ring hardly moves (engineering judgement).
      car.ring.playMm = car.ring.runoutMm * (1 - (1 - within(draw(2), 0, 0.97)) ** 2);
      car.signs["bearing-play"] = 0.92;
    },
    words: () => t`Bearing has play`,
    clearedBy: () => t`No play rocking the wheel at 12–6 and 3–9.`,
  },
  {
    code: "tyre-size",
    part: "tyre",
    weight: 1,
    families: everyFamily,
    intermittent: false,
    effect: "count",
    places: onlyPlace("tyre"),
    apply: (car, _, draw) => {
      const offset = logBetween(draw(0), 0.015, 0.08);
      car.ring.countRatio = draw("kind") < 0.5 ? 1 + offset : 1 - offset;
      car.signs["wrong-tyre"] = 0.85;
    },
    words: () => t`Wrong tyre size or ring count at this corner`,
    clearedBy: () => t`All four sizes read alike, or live speeds equal at a steady speed.`,
  },
  {
    code: "nothing",
    part: "none",
    weight: 1,
    families: everyFamily,
    intermittent: false,
    effect: "none",
    places: onlyPlace("none"),
    apply: () => undefined,
    words: () => t`Nothing wrong at this corner`,
    clearedBy: () => t`Any direct check that a healthy car would not pass.`,
  },
];
