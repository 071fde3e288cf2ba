import { t } from "../words/words";
import { activeFamilies, between, everyFamily, logBetween, onlyPlace, within, type Fault } from "./fault";

/** A feed or ground with less than this carries a module at rest and gives way when its pump runs (engineering judgement). */
const FELT_AT_REST_OHMS = 3;
/** Chance that other corners are down while nothing draws on such a feed. */
const NOW_AND_THEN = 0.5;

/** Faults of what feeds the module, and of the module. */
export const moduleFaults: Fault[] = [
  {
    code: "feed-missing",
    part: "module-feed",
    weight: 0.35,
    families: everyFamily,
    intermittent: true,
    effect: "feed",
    places: onlyPlace("module-power"),
    apply: (car, _, draw) => {
      car.circuit.feedOhms = logBetween(draw(0), 0.5, 5e4);
      car.othersDown = car.circuit.feedOhms > FELT_AT_REST_OHMS ? 0.97 : NOW_AND_THEN;
    },
    words: () => t`Module's own supply weak or missing`,
    clearedBy: () => t`Battery voltage at the module's supply pins under load.`,
  },
  {
    code: "module-ground",
    part: "module-feed",
    weight: 0.35,
    families: everyFamily,
    intermittent: true,
    effect: "feed",
    places: onlyPlace("module-earth"),
    apply: (car, _, draw) => {
      car.circuit.earthOhms = logBetween(draw(0), 0.15, 1e3);
      car.othersDown = car.circuit.earthOhms > FELT_AT_REST_OHMS ? 0.95 : NOW_AND_THEN;
    },
    words: () => t`Module's own ground bad`,
    clearedBy: () => t`Millivolts at the module's ground pin with the key on.`,
  },
  {
    code: "battery-low",
    part: "module-feed",
    weight: 0.3,
    families: everyFamily,
    intermittent: true,
    effect: "feed",
    places: onlyPlace("battery"),
    apply: (car, _, draw) => {
      car.circuit.batteryV = between(draw(0), 7.5, 10.4);
      car.othersDown = 0.9;
    },
    words: () => t`Battery low`,
    clearedBy: () => t`Over 12 V across the battery with the key on.`,
    repair: {
      get title() {
        return t`Charge or replace the battery`;
      },
      get steps() {
        return [
          t`Charge with a charger, then test under load.`,
          t`Replace if it does not hold.`,
          t`Check the charging voltage.`,
        ];
      },
      get newPart() {
        return [t`Type and size as the car calls for.`];
      },
      get cautions() {
        return [t`No sparks near a charging battery.`];
      },
      get torques() {
        return [t`terminal clamps`];
      },
      partsCost: 120,
      labourMin: 30,
    },
  },
  {
    code: "shared-supply",
    part: "module-feed",
    weight: 0.2,
    families: activeFamilies,
    intermittent: true,
    effect: "feed",
    places: onlyPlace("shared-supply"),
    apply: (car, _, draw) => {
      car.circuit.regulatorV *= within(draw(0), 0.02, 0.6);
      car.othersDown = 0.93;
    },
    words: () => t`Sensor supply shared with other corners pulled down`,
    clearedBy: () => t`The other corners' live speeds good, or this supply up with the others unplugged.`,
  },
  {
    code: "channel-supply",
    part: "module",
    weight: 0.45,
    families: activeFamilies,
    intermittent: true,
    effect: "feed",
    places: onlyPlace("module-supply"),
    apply: (car, _, draw) => {
      if (draw("kind") < 0.6) car.circuit.channelAlive = false;
      else car.circuit.regulatorV *= within(draw(1), 0.1, 0.7);
    },
    words: () => t`Module does not supply this sensor`,
    clearedBy: () => t`Supply present at the module's own pin.`,
  },
  {
    code: "channel-deaf",
    part: "module",
    weight: 0.55,
    families: everyFamily,
    intermittent: true,
    effect: "no-signal",
    places: onlyPlace("module-input"),
    apply: (car) => {
      car.inputFault = true;
    },
    words: () => t`Module input fault: a good signal is not taken in`,
    clearedBy: () => t`Live speed follows the wheel.`,
  },
];
