import { languageTag, t } from "../words/words";

/** A word of the trade, or a sign on screen, and what it means. */
export interface Entry {
  term: string;
  says: string;
  /** Other forms of it that sentences use. */
  also?: readonly string[];
  /** Said so often that it is not marked in sentences. */
  everyday?: boolean;
}

/** What the screens mean by their colours, marks and verdicts. */
export function signs(): Entry[] {
  return [
    { term: t`Orange edge`, says: t`You are here, or do this now.`, everyday: true },
    { term: t`Green, ✓`, says: t`Fits a healthy car, or a part is cleared.`, everyday: true },
    { term: t`Red`, says: t`Speaks for a fault.`, everyday: true },
    {
      term: t`Violet`,
      everyday: true,
      says: t`Undecided. On a simulated car it also marks what the simulation answers.`,
    },
    { term: t`Hatching on the path`, everyday: true, says: t`The denser it is, the likelier the fault sits there.` },
    {
      term: t`Percent beside a suspect`,
      everyday: true,
      says: t`Of 100 cars with this complaint and these readings, so many have this fault.`,
    },
    {
      term: t`Proven`,
      says: t`Likely enough, and a direct check failed that good parts pass. Only then is a part bought.`,
    },
    { term: t`Suspect`, everyday: true, says: t`Neither cleared nor proven: measure on.` },
    { term: t`Cleared`, says: t`The readings leave it next to no chance.` },
    {
      term: t`Something not listed`,
      also: [t`Something not listed here`],
      says: t`No fault known here explains the readings well. Repeat the oddest reading.`,
    },
  ];
}

/** Words of the trade as the screens use them, in the order of the alphabet. */
export function terms(): Entry[] {
  return words().toSorted((a, b) => a.term.localeCompare(b.term, languageTag()));
}

function words(): Entry[] {
  return [
    { term: t`Active sensor`, says: t`Needs a supply to work, and gives a clean signal down to a standstill.` },
    { term: t`Air gap`, says: t`From the sensor's face to the ring. Too large a gap loses the signal.` },
    {
      term: t`Back-probe`,
      also: [t`back-probed`, t`back-probing`],
      says: t`A fine pin slid in beside the wire's seal, so that the plug stays on while you measure.`,
    },
    {
      term: t`Clean and reseat`,
      says: t`Sensor out, rust off its seat, sensor back in flat. Often all that is needed.`,
    },
    {
      term: t`Coded sensor`,
      says: t`Sends short pulses whose width tells direction and gap. It looks nothing like a plain square wave.`,
    },
    {
      term: t`Corner`,
      says: t`One wheel with its sensor, ring, bearing and wires, back to the module.`,
      everyday: true,
    },
    {
      term: t`Drag test`,
      says: t`A loose matching terminal drawn through each one of the plug: a spread terminal does not grip it.`,
    },
    {
      term: t`Drop-out speed`,
      says: t`The speed below which a passive signal is too small for the module. A large gap raises it.`,
    },
    {
      term: t`Duty`,
      says: t`The share of the time a signal is high, in percent. A good two-level signal is near 50 %.`,
    },
    {
      term: t`Encoder`,
      also: [t`encoders`, t`encoder's`],
      says: t`A ring of magnet poles, often the bearing's seal. Only active sensors read one.`,
    },
    {
      term: t`False ABS`,
      says: t`The pedal buzzes in the last few km/h on dry road, because the signal drops out before the wheel stops.`,
    },
    { term: t`Hard fault`, says: t`Present now: unplug and measure freely.` },
    {
      term: t`Intermittent`,
      also: [t`intermittents`],
      says: t`Comes and goes: do not unplug it before it was caught, or it may be cured for a week.`,
    },
    { term: t`Inline connector`, says: t`A plug between module and sensor plug, on the path C1, C2 and so on.` },
    {
      term: t`Key on, engine off`,
      says: t`Module and sensors are fed. It drains the battery: fit a supply that holds it.`,
    },
    {
      term: t`Known-good`,
      says: t`A level or a recording kept from a car that was right. The other side of the axle is the next best.`,
    },
    {
      term: t`Load test`,
      also: [t`load tests`],
      says: t`A filament lamp through the wire, both ends unplugged. A nearly broken wire passes the ohmmeter and fails this.`,
    },
    { term: t`OL`, says: t`Over the meter's limit: open, as far as it can see.` },
    {
      term: t`Passive sensor`,
      says: t`A magnet and a coil. It makes its own AC voltage, the more the faster the wheel turns.`,
    },
    {
      term: t`Pulses per turn`,
      also: [t`pulses a turn`],
      says: t`Teeth of a tone ring, or pole pairs of an encoder: 40 poles are 20 pulses.`,
    },
    {
      term: t`Ring-locked`,
      says: t`Comes at the same tooth turn after turn: ring, bearing or seat. What does not is electrical.`,
    },
    { term: t`Ring raster`, says: t`A recording folded over the ring: one row a turn, one column a tooth.` },
    { term: t`Runout`, says: t`How far the ring swings toward the sensor and away again in one turn.` },
    { term: t`Rust jacking`, says: t`Rust grows under the sensor's foot and lifts it off the ring.` },
    {
      term: t`Signal wire`,
      says: t`Of a two-wire active sensor the wire back to the module; its current steps between two levels.`,
    },
    {
      everyday: true,
      term: t`Slip`,
      says: t`A reading taken wrong: another pin, another range, a digit. Each reading is held to be one now and then.`,
    },
    {
      term: t`Supply dip`,
      says: t`The feed goes down for a moment and takes the signal along. The sensor is not to blame.`,
    },
    {
      term: t`Toggle test`,
      says: t`Volts on the signal wire while the wheel is turned by hand: one level, then the other, is good.`,
    },
    { term: t`Tone ring`, also: [t`reluctor`, t`tone rings`], says: t`A toothed steel ring, also called reluctor.` },
    {
      term: t`Fine probe`,
      also: [t`fine pin`],
      says: t`Made up in a minute: a sewing needle or a matching terminal on a lead, sleeved to its tip. A meter's own tip spreads terminals.`,
    },
    {
      term: t`Link lead`,
      also: [t`link leads`],
      says: t`A short lead with a plug at each end, between body and sensor. It is renewed as a whole, not spliced.`,
    },
    { term: t`Viewing film`, says: t`Shows an encoder's poles as stripes, with cracks and missing stretches.` },
    { term: t`Wiggle test`, says: t`Move the loom piece by piece while the reading is watched.` },
  ];
}
