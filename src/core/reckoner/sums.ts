import { t } from "../words/words";
import { BODY_SHARE, copperAt, PAIR_FARAD_PER_M, wireOhms } from "../circuit/wire";
import { dropOutSpeedKmh, PASSIVE_REFERENCE, spacingFactor } from "../ring/ring";
import { frequencyHz, overallDiameterMm, parseTyre, rollingCircumferenceM, speedKmh } from "../tyre/tyre";
import { localUnit, toLocal, type UnitChoice } from "../units/local-units";

/** One small sum: fields with their units, and what follows from them. Units are metric; `localSum` gives the shop's. */
export interface Sum {
  id: string;
  title: string;
  fields: readonly SumField[];
  /**
   * @param tell a metric amount in the shop's own unit
   * @returns lines of what follows, or a sentence saying what is missing
   */
  work: (
    read: (key: string) => number,
    text: (key: string) => string,
    tell: (value: number, unit: string, digits?: number) => string,
  ) => string[];
  source: string;
}

export interface SumField {
  key: string;
  label: string;
  unit: string;
  usual: string;
}

/** As many figures as the hand needs. */
export const show = (value: number, digits = 3) => Number(value.toPrecision(digits)).toString();

const OTHER: UnitChoice = { speed: "mph", length: "in", torque: "lb·ft", temperature: "°F" };
const both = (value: number, unit: string) =>
  t`${show(value)} ${unit} = ${show(toLocal(value, unit, OTHER))} ${localUnit(unit, OTHER)}`;

/** The small sums of the job. */
export const sums: readonly Sum[] = [
  {
    id: "speed",
    get title() {
      return t`Speed and frequency`;
    },
    fields: [
      {
        key: "tyre",
        get label() {
          return t`tyre`;
        },
        unit: "",
        usual: "205/55R16",
      },
      {
        key: "pulses",
        get label() {
          return t`pulses a turn`;
        },
        unit: "",
        usual: "48",
      },
      {
        key: "kmh",
        get label() {
          return t`speed`;
        },
        unit: "km/h",
        usual: "30",
      },
      {
        key: "hz",
        get label() {
          return t`or frequency`;
        },
        unit: "Hz",
        usual: "",
      },
    ],
    work: (read, text, tell) => {
      const tyre = parseTyre(text("tyre"));
      if (!tyre) return [t`Write the tyre as 205/55R16.`];
      const round = rollingCircumferenceM(tyre);
      const lines = [t`${tell(overallDiameterMm(tyre), "mm", 4)} high, rolls ${show(round, 4)} m a turn`];
      if (read("kmh") > 0)
        lines.push(t`${tell(read("kmh"), "km/h")} is ${show(frequencyHz(read("kmh"), read("pulses"), round))} Hz`);
      if (read("hz") > 0)
        lines.push(t`${show(read("hz"))} Hz is ${tell(speedKmh(read("hz"), read("pulses"), round), "km/h")}`);
      lines.push(t`one turn a second is ${tell(round * 3.6, "km/h")}`);
      return lines;
    },
    get source() {
      return t`UNECE R30 for the diameter; 3.05 × diameter after the ETRTO manual (from memory)`;
    },
  },
  {
    id: "passive",
    get title() {
      return t`Passive: volts to expect, and where it drops out`;
    },
    fields: [
      {
        key: "kmh",
        get label() {
          return t`speed`;
        },
        unit: "km/h",
        usual: "8",
      },
      {
        key: "nominal",
        get label() {
          return t`usual gap`;
        },
        unit: "mm",
        usual: "0.4",
      },
      {
        key: "gap",
        get label() {
          return t`gap as it is`;
        },
        unit: "mm",
        usual: "0.4",
      },
      {
        key: "pitch",
        get label() {
          return t`tooth pitch`;
        },
        unit: "mm",
        usual: "6.5",
      },
      {
        key: "threshold",
        get label() {
          return t`module threshold`;
        },
        unit: "mV",
        usual: "150",
      },
    ],
    work: (read, _, tell) => {
      const usual = (PASSIVE_REFERENCE.volts * read("kmh")) / PASSIVE_REFERENCE.speedKmh;
      const volts = usual * spacingFactor(read("nominal"), read("gap"), read("pitch"));
      return [
        t`${show(volts)} V AC (RMS), ${show(volts * 2 * Math.SQRT2)} V peak to peak`,
        t`falls under the threshold at ${tell(dropOutSpeedKmh(volts * Math.SQRT2, read("kmh"), read("threshold") / 1000), "km/h")}`,
      ];
    },
    get source() {
      return t`0.65 V at 5 mph (common practice); Wallace 1951 for the gap`;
    },
  },
  {
    id: "coil",
    get title() {
      return t`Coil at temperature`;
    },
    fields: [
      {
        key: "ohms",
        get label() {
          return t`at 20 °C`;
        },
        unit: "Ω",
        usual: "1100",
      },
      {
        key: "celsius",
        get label() {
          return t`temperature`;
        },
        unit: "°C",
        usual: "100",
      },
    ],
    work: (read, _, tell) => [
      t`${show(copperAt(read("ohms"), read("celsius")), 4)} Ω at ${tell(read("celsius"), "°C")}`,
    ],
    get source() {
      return t`IEC 60028, 0.00393 per kelvin`;
    },
  },
  {
    id: "wire",
    get title() {
      return t`Wire: resistance and drop`;
    },
    fields: [
      {
        key: "metres",
        get label() {
          return t`length`;
        },
        unit: "m",
        usual: "3",
      },
      {
        key: "mm2",
        get label() {
          return t`size`;
        },
        unit: "mm²",
        usual: "0.5",
      },
      {
        key: "celsius",
        get label() {
          return t`temperature`;
        },
        unit: "°C",
        usual: "20",
      },
      {
        key: "ma",
        get label() {
          return t`current`;
        },
        unit: "mA",
        usual: "250",
      },
    ],
    work: (read) => {
      const ohms = wireOhms(read("metres"), read("mm2"), read("celsius"));
      return [t`${show(ohms)} Ω`, t`${show(ohms * read("ma"))} mV lost at ${show(read("ma"))} mA`];
    },
    get source() {
      return t`ISO 6722-1 maximum values (from memory)`;
    },
  },
  {
    id: "break",
    get title() {
      return t`How far to the break, from its capacitance`;
    },
    fields: [
      {
        key: "near",
        get label() {
          return t`from this end`;
        },
        unit: "pF",
        usual: "240",
      },
      {
        key: "far",
        get label() {
          return t`from the other end`;
        },
        unit: "pF",
        usual: "80",
      },
      {
        key: "metres",
        get label() {
          return t`whole wire`;
        },
        unit: "m",
        usual: "4",
      },
    ],
    work: (read) => {
      const whole = read("near") + read("far");
      if (!(read("near") > 0 && read("far") > 0)) return [t`Both ends are needed: their ratio tells the place.`];
      return [
        t`broken ${show((read("metres") * read("near")) / whole)} m from this end`,
        t`${show(whole / read("metres"))} pF a metre; a pair usually has ${show(PAIR_FARAD_PER_M.from * 1e12)}–${show(PAIR_FARAD_PER_M.to * (1 + BODY_SHARE) * 1e12)}`,
      ];
    },
    get source() {
      return t`Capacitance goes by length; both plugs disconnected, battery negative off (textbook)`;
    },
  },
  {
    id: "sense",
    get title() {
      return t`Sense resistor, shunt and clamp`;
    },
    fields: [
      {
        key: "volts",
        get label() {
          return t`volts across it`;
        },
        unit: "V",
        usual: "0.84",
      },
      {
        key: "ohms",
        get label() {
          return t`resistor`;
        },
        unit: "Ω",
        usual: "120",
      },
      {
        key: "loops",
        get label() {
          return t`loops in the clamp`;
        },
        unit: "",
        usual: "6",
      },
    ],
    work: (read) => {
      const ma = (1000 * read("volts")) / read("ohms");
      return [t`${show(ma)} mA`, t`a clamp with ${show(read("loops"))} loops shows ${show(ma * read("loops"))} mA`];
    },
    get source() {
      return t`Ohm; six loops make 42 and 84 mA of 7 and 14 (common practice)`;
    },
  },
  {
    id: "length",
    get title() {
      return t`Gap, torque, speed, temperature: the other unit`;
    },
    fields: [
      {
        key: "mm",
        get label() {
          return t`length`;
        },
        unit: "mm",
        usual: "0.4",
      },
      {
        key: "nm",
        get label() {
          return t`torque`;
        },
        unit: "N·m",
        usual: "119",
      },
      {
        key: "kmh",
        get label() {
          return t`speed`;
        },
        unit: "km/h",
        usual: "8",
      },
      {
        key: "celsius",
        get label() {
          return t`temperature`;
        },
        unit: "°C",
        usual: "20",
      },
    ],
    work: (read) => [
      both(read("mm"), "mm"),
      both(read("nm"), "N·m"),
      both(read("kmh"), "km/h"),
      both(read("celsius"), "°C"),
    ],
    get source() {
      return t`NIST SP 811, exact`;
    },
  },
];
