import { t } from "../words/words";
import { families, familyWords, type Family } from "../circuit/setup";

/** What was seen at a sensor of unknown kind; anything may be left out. */
export interface FamilyClues {
  wires?: 2 | 3 | 4;
  /** Sensor unplugged, key on: each wire-side terminal to battery negative, volts. */
  openVolts?: readonly number[];
  tip?: "pulls-pin" | "no-pull";
  ring?: "toothed" | "smooth-pulls-pin" | "smooth";
  /** Ohms between the sensor's own two terminals, unplugged; Infinity for OL. */
  ohms?: number;
  afterYear2005?: boolean;
}

export interface FamilyGuess {
  family: Family;
  share: number;
}

export interface FamilyVerdict {
  ranked: FamilyGuess[];
  reasons: string[];
  say: string;
  /** The clue that would tell most next. */
  next: string | null;
}

/** From here on the answer is called known. */
const SURE = 0.95;

/**
 * Weighs the clues by which sensor families are told apart. Chances of each clue under each family are common
 * practice, no source; the maker's information wins over all of them.
 */
export function findFamily(clues: FamilyClues): FamilyVerdict {
  const weights: Record<Family, number> = { "active-2wire": 0.6, "active-3wire": 0.08, passive: 0.32 };
  const reasons: string[] = [];
  const weigh = (say: string, chances: Record<Family, number>) => {
    for (const family of families) weights[family] *= chances[family];
    reasons.push(say);
  };
  if (clues.wires === 3) weigh(t`Three wires: supply, ground and signal.`, chances(0.01, 0.97, 0.02));
  if (clues.wires === 2) weigh(t`Two wires: passive, or active with a current signal.`, chances(0.5, 0.002, 0.5));
  if (clues.wires === 4)
    weigh(t`Four wires are two sensors or a combined unit: follow the diagram.`, chances(0.4, 0.4, 0.2));
  if (clues.openVolts && clues.openVolts.length >= 2) weighVolts(clues.openVolts, weigh);
  if (clues.tip === "pulls-pin")
    weigh(
      t`The sensor's own tip pulls a steel pin: passive, or active with its own magnet on a steel ring.`,
      chances(0.15, 0.2, 0.95),
    );
  if (clues.tip === "no-pull")
    weigh(t`The tip pulls nothing: no magnet inside, so it reads an encoder.`, chances(0.85, 0.8, 0.05));
  if (clues.ring === "smooth-pulls-pin")
    weigh(t`The ring itself is magnetic: an encoder, which only active sensors read.`, chances(0.9, 0.7, 0.01));
  if (clues.ring === "toothed") weigh(t`A toothed steel ring: mostly passive.`, chances(0.12, 0.3, 0.95));
  if (clues.ring === "smooth")
    weigh(t`A smooth face without visible teeth: mostly an encoder.`, chances(0.8, 0.7, 0.1));
  if (clues.ohms !== undefined) weighOhms(clues.ohms, weigh);
  if (clues.afterYear2005 !== undefined)
    weigh(
      clues.afterYear2005 ? t`Built after about 2005: mostly active.` : t`Built before about 2005: often passive.`,
      clues.afterYear2005 ? chances(0.85, 0.6, 0.2) : chances(0.25, 0.4, 0.75),
    );
  const total = families.reduce((sum, family) => sum + weights[family], 0);
  const ranked = families
    .map((family) => ({ family, share: weights[family] / total }))
    .sort((a, b) => b.share - a.share);
  return { ranked, reasons, say: verdictWords(ranked), next: ranked[0]!.share > SURE ? null : nextClue(clues) };
}

function chances(twoWire: number, threeWire: number, passive: number): Record<Family, number> {
  return { "active-2wire": twoWire, "active-3wire": threeWire, passive };
}

type Weigh = (say: string, chances: Record<Family, number>) => void;

const NO_VOLTS = 0.3;
const MOST_BIAS_V = 2.6;
const LEAST_SUPPLY_V = 4.5;

function weighVolts(volts: readonly number[], weigh: Weigh): void {
  const sorted = volts.toSorted((a, b) => b - a);
  const [top, second] = [sorted[0]!, sorted[1]!];
  if (top >= LEAST_SUPPLY_V && second < NO_VOLTS)
    return weigh(
      t`One terminal holds ${top.toFixed(1)} V with the sensor unplugged: it feeds an active sensor.`,
      chances(0.97, 0.5, 0.005),
    );
  if (top >= LEAST_SUPPLY_V && second >= LEAST_SUPPLY_V)
    return weigh(
      t`Two terminals hold a supply: one feeds the sensor, the other pulls its output up.`,
      chances(0.03, 0.95, 0.01),
    );
  if (top < NO_VOLTS)
    return weigh(
      t`No terminal holds any voltage: passive without bias, or the feed is missing.`,
      chances(0.06, 0.06, 0.5),
    );
  if (top <= MOST_BIAS_V && top - second < 0.3)
    return weigh(t`Both terminals hold the same small bias (${top.toFixed(1)} V): passive.`, chances(0.02, 0.02, 0.95));
  weigh(t`Odd voltages: neither a supply nor a bias. Check the feed before trusting this.`, chances(0.3, 0.3, 0.3));
}

function weighOhms(ohms: number, weigh: Weigh): void {
  if (ohms >= 600 && ohms <= 3000)
    weigh(t`${Math.round(ohms)} Ω between the sensor's pins: a coil.`, chances(0.01, 0.01, 0.9));
  else if (ohms > 10_000)
    weigh(t`No coil to be measured between the pins: active, or an open coil.`, chances(0.85, 0.85, 0.1));
  else weigh(t`An odd resistance between the pins: a damaged sensor of either kind.`, chances(0.15, 0.15, 0.15));
}

function verdictWords([first, second]: FamilyGuess[]): string {
  if (first!.share > SURE) return t`It is ${familyWords[first!.family]}.`;
  return t`Probably ${familyWords[first!.family]}; ${familyWords[second!.family]} is not excluded.`;
}

function nextClue(clues: FamilyClues): string | null {
  if (!clues.wires) return t`Count the wires at the sensor.`;
  if (!clues.openVolts) return t`Unplug the sensor, key on: each wire-side terminal to battery negative.`;
  if (!clues.ring) return t`Look at the ring: teeth, or a smooth face that pulls a steel pin.`;
  if (!clues.tip) return t`Hold a steel pin to the sensor's tip.`;
  // Ohms across an active sensor mean nothing, and some makers forbid them: weighed where typed, never asked for.
  return clues.afterYear2005 === undefined ? t`Look up the model year: from about 2005 on most are active.` : null;
}

/** One wire of three, back-probed with everything plugged in. */
export interface WireReading {
  name: string;
  /** Steady volts to battery negative. */
  volts: number;
  /** It changed while the wheel crept. */
  switches: boolean;
}

export interface WireRoles {
  supply: string;
  ground: string;
  signal: string;
  /** Supply against battery negative less supply against the sensor's own ground: what the ground loses. */
  groundDropV: number | null;
  say: string;
}

const BAD_GROUND_V = 0.1;

/** Which of three wires is which. @param supplyToOwnGroundV the supply read against the sensor's own ground wire @returns null when the readings do not tell */
export function nameThreeWires(wires: readonly WireReading[], supplyToOwnGroundV?: number): WireRoles | null {
  if (wires.length !== 3) return null;
  const signal = wires.find(({ switches }) => switches);
  const rest = wires.filter((wire) => wire !== signal).toSorted((a, b) => b.volts - a.volts);
  if (!signal || rest[0]!.volts < LEAST_SUPPLY_V - 0.5) return null;
  const [supply, ground] = [rest[0]!, rest[1]!];
  const groundDropV = supplyToOwnGroundV === undefined ? null : supply.volts - supplyToOwnGroundV;
  const ok = groundDropV !== null && Math.abs(groundDropV) < BAD_GROUND_V;
  const lost = groundDropV ?? ground.volts;
  const groundSays = ok
    ? t` The ground is good: the same voltage both ways.`
    : groundDropV !== null || ground.volts > BAD_GROUND_V
      ? t` The ground loses ${lost.toFixed(2)} V.`
      : "";
  return {
    supply: supply.name,
    ground: ground.name,
    signal: signal.name,
    groundDropV,
    say: t`${supply.name} is the supply, ${ground.name} the ground, ${signal.name} the signal.${groundSays}`,
  };
}
