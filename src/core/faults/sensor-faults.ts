import { t } from "../words/words";
import { stands, dust } from "./repair-words";
import {
  ONE_IN_FOUR,
  TWO_IN_THREE,
  activeFamilies,
  everyFamily,
  logBetween,
  onlyPlace,
  within,
  type Fault,
} from "./fault";

const atSensor = onlyPlace("sensor");

/** Faults inside the sensor and how it is mounted. */
export const sensorFaults: Fault[] = [
  {
    code: "sensor-open",
    part: "sensor",
    weight: 0.42,
    families: everyFamily,
    intermittent: true,
    flickers: true,
    effect: "open",
    // Most break in the lead, where it leaves the body or is clipped and bent.
    byLead: 0.65,
    places: atSensor,
    apply: (car, _, draw) => {
      // A joint inside gone green: before it opens, or open with damp across it; one coil in three (engineering judgement).
      if (car.switchField === 0 && draw("kind") > TWO_IN_THREE)
        car.circuit.sensor.coilOhms += logBetween(draw(0), 1500, 5e6);
      else car.circuit.sensor.mode = "open";
    },
    words: (_, { family }) =>
      family === "passive" ? t`Sensor open or of high resistance inside` : t`Sensor open inside`,
    clearedBy: (_, { family }) =>
      family === "passive"
        ? t`Coil resistance in the maker's range, at the sensor plug.`
        : t`Current through the sensor, measured in series at the sensor plug.`,
  },
  {
    code: "sensor-short",
    part: "sensor",
    weight: 0.14,
    families: everyFamily,
    intermittent: true,
    effect: "ground",
    byLead: 0.5,
    places: atSensor,
    apply: (car, _, draw) => {
      car.circuit.sensor.mode = "short";
      car.circuit.sensor.shortOhms = logBetween(draw(0), 0.3, 400);
    },
    words: () => t`Sensor shorted inside`,
    clearedBy: (_, { family }) =>
      family === "passive"
        ? t`Coil resistance in the maker's range, at the sensor plug.`
        : t`Supply holds up with the sensor plugged in.`,
  },
  {
    code: "sensor-lead",
    part: "sensor",
    weight: 0.08,
    families: activeFamilies,
    intermittent: true,
    effect: "ground",
    byLead: 0.75,
    places: atSensor,
    apply: (car, _, draw) => {
      // The wire that feeds it or the one that carries its signal; a ground wire on the body does no harm.
      const signal = car.circuit.contactOhms[0]!.length === 3 ? 2 : 1;
      car.circuit.sensor.bodyWire = draw("kind") > 0.5 ? 0 : signal;
      car.circuit.sensor.bodyOhms = logBetween(draw(0), 0.3, 1000);
    },
    words: () => t`Sensor's own lead chafed to ground`,
    clearedBy: () => t`OL from each terminal of the loose sensor to body.`,
  },
  {
    code: "sensor-dead",
    part: "sensor",
    weight: 0.34,
    families: activeFamilies,
    intermittent: true,
    effect: "no-signal",
    places: atSensor,
    apply: (car, _, draw) => {
      // One in four still switches, but only on a stronger field than its ring has (engineering judgement).
      if (draw("kind") > ONE_IN_FOUR) car.switchField *= logBetween(draw(0), 2, 8);
      else car.circuit.sensor.mode = "stuck";
    },
    words: () => t`Sensor fed but does not switch`,
    clearedBy: () => t`Both levels seen while the wheel creeps.`,
  },
  {
    code: "sensor-erratic",
    part: "sensor",
    weight: 0.1,
    families: activeFamilies,
    intermittent: true,
    effect: "erratic",
    places: atSensor,
    apply: (car) => {
      car.circuit.sensor.mode = "noisy";
    },
    words: () => t`Sensor switches by itself`,
    clearedBy: () => t`A quiet trace with the wheel at rest.`,
  },
  {
    code: "sensor-shorted-turns",
    part: "sensor",
    weight: 0.22,
    families: ["passive"],
    intermittent: false,
    effect: "weak",
    places: atSensor,
    apply: (car, _, draw) => {
      // Its magnet weak or its core broken, the coil is as it was: one in four (engineering judgement).
      if (draw("kind") > ONE_IN_FOUR) {
        car.outputFactor *= logBetween(draw(0), 0.03, 0.5);
        return;
      }
      const left = within(draw(0), 0.05, 0.78);
      car.circuit.sensor.coilOhms *= left;
      car.outputFactor *= left * left;
    },
    words: () => t`Coil has shorted turns, or its magnet is weak`,
    clearedBy: () => t`Coil resistance in the maker's range and AC volts right for the speed.`,
  },
  {
    code: "sensor-coil-leak",
    part: "sensor",
    weight: 0.16,
    families: ["passive"],
    intermittent: true,
    effect: "erratic",
    places: atSensor,
    apply: (car, _, draw) => {
      // Damp in the moulding, near either leg; now and then a winding rubbed through to its metal body, or the lead to its clip (engineering judgement: one in four).
      const kind = draw("kind");
      const rubbedThrough = Math.abs(kind - 0.5) > 0.5;
      car.circuit.sensor.bodyOhms = rubbedThrough ? logBetween(draw(0), 0.2, 200) : logBetween(draw(0), 200, 600_000);
      car.circuit.sensor.bodyWire = kind > 0.5 ? 0 : 1;
      car.circuit.sensor.mode = "noisy";
    },
    words: () => t`Coil leaks to the sensor body`,
    clearedBy: () => t`Over 1 MΩ from either terminal to the sensor body.`,
    wakes: { wet: 0.5 },
  },
  {
    code: "sensor-worn-tip",
    part: "sensor",
    weight: 0.06,
    families: everyFamily,
    intermittent: false,
    effect: "weak",
    places: atSensor,
    apply: (car, _, draw) => {
      // Rust has pushed it in, or something came between; or the ring swings by a little: one that swings far is the fault itself (judgement).
      if (draw("kind") > 0.5) car.ring.runoutMm = logBetween(draw(0), 0.06, 0.25);
      // An active sensor stands further off and takes more before it loses poles.
      car.ring.gapMm += car.switchField > 0 ? logBetween(draw(1), 0.6, 1.8) : logBetween(draw(1), 0.3, 1);
      car.signs["sensor-worn"] = 0.85;
    },
    words: () => t`Sensor tip worn by contact with the ring`,
    clearedBy: () => t`A look at the sensor face.`,
  },
  {
    code: "mounting-gap",
    part: "mounting",
    weight: 0.65,
    families: everyFamily,
    intermittent: false,
    effect: "weak",
    places: onlyPlace("mounting"),
    apply: (car, _, draw) => {
      car.ring.gapMm += logBetween(draw(0), 0.4, 2.4);
      car.signs["sensor-lifted"] = 0.85;
    },
    words: () => t`Air gap too large (rust under the sensor's foot, or not seated)`,
    clearedBy: (_, { family }) =>
      family === "passive"
        ? t`Gap in the maker's range, or full AC volts for the speed.`
        : t`Gap in the maker's range, or a capture with every pulse, high for half of its time.`,
    repair: {
      get title() {
        return t`Clean the seat and set the sensor down`;
      },
      get steps() {
        return [
          t`Wheel off. Brush and scrape the rust scale from under the sensor's foot and out of its bore.`,
          t`Clean the sensor's face. Anti-corrosion film in the bore, none on the face.`,
          t`Seat the sensor flat; screw home without force: a plastic body breaks before the screw gives.`,
          t`Measure the gap again where it can be reached.`,
        ];
      },
      newPart: [],
      get cautions() {
        return [
          stands(),
          dust(),
          t`Pry gently at the metal, never at the plastic. Seat the bit fully in a rusted screw.`,
        ];
      },
      get torques() {
        return [t`sensor screw`, t`wheel nuts`];
      },
      partsCost: 8,
      labourMin: 40,
    },
  },
  {
    code: "mounting-unseated",
    part: "mounting",
    weight: 0.12,
    families: everyFamily,
    intermittent: false,
    effect: "weak",
    places: onlyPlace("mounting-unseated"),
    apply: (car, _, draw) => {
      car.ring.gapMm += logBetween(draw(0), 1.4, 5);
      car.signs["sensor-lifted"] = 0.93;
    },
    words: () => t`Sensor not pushed home after work`,
    clearedBy: () => t`The foot flat on its seat and the gap in the maker's range.`,
  },
  {
    code: "mounting-loose",
    part: "mounting",
    weight: 0.25,
    families: everyFamily,
    intermittent: true,
    effect: "erratic",
    places: onlyPlace("mounting-loose"),
    apply: (car, _, draw) => {
      car.ring.wobble = within(draw(0), 0.1, 0.6);
      car.signs["sensor-lifted"] = 0.7;
      car.signs["sensor-loose"] = 0.93;
    },
    words: () => t`Sensor loose in its seat`,
    clearedBy: () => t`The sensor does not move by hand.`,
    wakes: { bump: 0.75, turn: 0.5 },
  },
];
