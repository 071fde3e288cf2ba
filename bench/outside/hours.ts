/**
 * Two wheels of one axle turned by the engine for hours, heard through a sound input: passive sensors, a divider, an AC
 * coupling. The first one's wire opens now and then, for as long as it takes to lose a few teeth. Its own physics and
 * nothing of ours: a coil's volts go with the speed of each tooth through the field, a differential shares out the speed,
 * the brake stops both, a hand turns one, mains and white noise are picked up, and by an open wire more of the mains.
 */
import { dice, type Dice } from "./dice";

/** The wire was open from then to then, in seconds since the start. */
export interface Opening {
  startS: number;
  endS: number;
}

export const [RATE_HZ, TEETH, ROUND_M] = [48_000, 48, 1.95];
const STEP_S = 1 / RATE_HZ;
/** An opening shorter than this may lie between two teeth at these speeds: no recording tells it. */
const SHORTEST_S = 0.08;

export class HoursOfWheels {
  readonly openings: Opening[] = [];
  private readonly dice: Dice;
  private readonly teeth: Float64Array[];
  private readonly turn = [0, 0.4];
  private readonly coupled = [0, 0];
  private readonly before = [0, 0];
  private kmh = 0;
  private wanted = 0;
  private byHand = 0;
  private untilS = 0;
  private share = 0;
  private nextOpenS = 40;
  private at = 0;

  constructor(seed: number) {
    this.dice = dice(seed);
    this.teeth = [0, 1].map(() => Float64Array.from({ length: TEETH }, () => 1 + 0.02 * this.dice.gauss()));
  }

  /** The next so many samples of both wheels. */
  next(count: number): Float32Array[] {
    const out = [new Float32Array(count), new Float32Array(count)];
    for (let i = 0; i < count; i++, this.at++) {
      const now = this.at * STEP_S;
      if (this.at % 480 === 0) this.drive(now);
      const isOpen = this.openNow(now);
      const hum = Math.sin(2 * Math.PI * 50 * now);
      for (const wheel of [0, 1] as const) {
        const kmh = Math.max(
          0,
          this.kmh * (1 + (wheel === 0 ? this.share : -this.share)) + (wheel === 0 ? this.byHand : 0),
        );
        const turns = (this.turn[wheel]! += (kmh / 3.6 / ROUND_M) * STEP_S);
        const tooth = Math.floor(turns * TEETH) % TEETH;
        const phase = 2 * Math.PI * turns * TEETH;
        const strength = this.teeth[wheel]![tooth]! * (1 + 0.06 * Math.sin(2 * Math.PI * turns + wheel));
        const volts = 0.02 * kmh * strength * (Math.sin(phase) + 0.15 * Math.sin(2 * phase + 1));
        const seen = wheel === 0 && isOpen ? 0.012 * hum : volts + 0.0015 * hum;
        const raw = seen + this.dice.between(-0.004, 0.004);
        // The input's own coupling: nothing below some 8 Hz.
        this.coupled[wheel] = 0.99895 * (this.coupled[wheel]! + raw - this.before[wheel]!);
        this.before[wheel] = raw;
        out[wheel]![i] = this.coupled[wheel]!;
      }
    }
    return out;
  }

  /** A hundredth of a second of motion: driven for minutes, braked to a stand, turned by hand in between. */
  private drive(now: number): void {
    if (now >= this.untilS) {
      const standing = this.wanted > 0 && this.dice.chance(0.4);
      this.wanted = standing ? 0 : this.dice.between(6, 14);
      this.untilS = now + (standing ? this.dice.between(10, 40) : this.dice.between(60, 420));
    }
    this.kmh += (this.wanted - this.kmh) * (this.wanted === 0 ? 0.02 : 0.004) + 0.01 * this.dice.gauss();
    if (this.wanted === 0 && this.kmh < 0.4) this.kmh = 0;
    this.share = 0.995 * this.share + 0.0008 * this.dice.gauss();
    const isStanding = this.wanted === 0 && this.kmh === 0;
    if (isStanding && this.byHand < 0.1 && this.dice.chance(0.003)) this.byHand = this.dice.between(4, 9);
    this.byHand = isStanding ? Math.max(0, this.byHand * 0.997 - 0.004) : 0;
  }

  private openNow(now: number): boolean {
    if (now >= this.nextOpenS) {
      this.nextOpenS = now + this.dice.between(15, 200);
      // A wire that opens while the wheel stands is heard by nobody.
      if (this.kmh > 5 && this.wanted > 0)
        this.openings.push({ startS: now, endS: now + this.dice.log(SHORTEST_S, 0.4) });
    }
    const last = this.openings.at(-1);
    return last !== undefined && now < last.endS;
  }
}
