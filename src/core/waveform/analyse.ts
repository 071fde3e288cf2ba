import { t } from "../words/words";
import { endOf, type Capture, type Channel } from "../capture/capture";
import { tyreOf, rollingCircumferenceM, speedKmh } from "../tyre/tyre";
import { isPassive, ridesOnBias, sizeForSpeed, stopsGrowing, type SizeForSpeed } from "./coil-size";
import { drownedBy, dutyOf, levelFindings } from "./level-findings";
import { besideOtherSide, bySides } from "./other-side";
import { cutOffFinding, cutOffs } from "./cut-off";
import { disturbances, keyOnFinding } from "./disturbances";
import { wayOfLevel } from "./way-of-level";
import { widthCoding, type Frame, type WidthClass } from "./protocol";
import { endsAbruptly, endsAway } from "./ends-abruptly";
import { standing } from "./standing";
import { sinceKeyOn, supplyFinding } from "./supply";
import { confidenceOf } from "./confidence";
import { leadingFinding, LIKELIER_THAN_NOT, type Finding, type Found } from "./finding";
import { runningOut, turningStretches } from "./motion";
import { turnByLosses } from "./turn-by-losses";
import { pulseList } from "./pulse-list";
import { countedThroughPushes, guardV, partOf, rhythmOf, type Pulse, type Rhythm } from "./pulses";
import { levelGone, lossFindings, lostPulses } from "./loss-findings";
import { shapeFindings } from "./ring-findings";
import { median } from "../units/median";
import {
  holeWarnings,
  isAliased,
  isClipped,
  isTooSlow,
  recordingWarnings,
  undecidedWarnings,
} from "./recording-warnings";
import { scaleWarnings } from "./scale-warnings";
import type { Excursions } from "./excursions";
import { onceATurn } from "./once-a-turn";
import { uncountedWave } from "./uncounted-wave";
import { couldBeFitted, ringOf } from "./ring-of";
import { evenPeriods } from "./ring-speed";
import { foldRing, foldTogether, type RingPattern } from "./ring-pattern";
import { findPulsesPerRevolution } from "./ring-signature";
import type { SignalKind } from "./signal";

export interface AnalyseOptions {
  /** Pulses per revolution, when known. */
  pulses?: number;
  tyre?: string;
  family?: "active-2wire" | "active-3wire" | "passive";
}

export interface Range {
  min: number;
  median: number;
  max: number;
}

export interface ChannelAnalysis {
  name: string;
  signal: SignalKind;
  /** False where the recording's numbers are no volts: sizes and levels are then not judged. */
  inVolts: boolean;
  levels: { lowV: number; highV: number };
  peakToPeakV: number;
  dutyPct: number | null;
  frequencyHz: Range | null;
  speedKmh: Range | null;
  pulses: number;
  /** When each pulse begins, in seconds of the recording. */
  pulseTimesS: Float64Array;
  pulsesPerRevolution: number | null;
  /** The count by which the ring repeats itself, whatever was given; null when it is too even to tell. */
  signaturePulses: number | null;
  /** The count by which the turn was folded: the ring's own where it can be told, else the one given. */
  foldedBy: number | null;
  /** How that count was come by. */
  countFrom: "given" | "signature" | "unknown";
  revolutions: number | null;
  /** A coil's size for its speed; null where it is none, or was too short to tell. */
  size: SizeForSpeed | null;
  /** Messages of the three-level protocol. */
  frames?: Frame[];
  /** Widths of a width-coded sensor. */
  widths?: WidthClass[];
  /** What keeps this recording from being read safely, if anything. */
  warnings: string[];
  /** Pulses are lost, and what was turned does not tell whether the ring or a wire loses them. */
  undecided: boolean;
  /** It is what feeds the sensor: it has dips to be told, and no pulses. */
  isSupply: boolean;
  /** The channel of a supply that dips, where that is told, and whether pulses of this one are lost with it; null where none dips. */
  beside: { supply: string; lost: boolean } | null;
  findings: Finding[];
  /** The word under which this channel enters the line-up. */
  leading: string;
}

const FEWEST_ON_SCREEN = 5;
/** A period so many times the usual one has room for a pulse that hash hides. */
const HIDES = 1.5;
/** A tooth that stands out must have been seen twice. */
const FEWEST_TURNS = 1.3;

/** Analyses every channel of a capture. */
export function analyseCapture(recorded: Capture, options: AnalyseOptions = {}): ChannelAnalysis[] {
  const { feeds, keyOn, capture } = sinceKeyOn(recorded);
  const judged = capture.channels.map((channel, i) =>
    analyseChannel(feeds[i] ? steadied(channel, feeds[i].usualV) : channel, capture, options),
  );
  const small = besideOtherSide(judged, { startS: capture.startS, endS: endOf(capture) });
  const analysed = judged.map((analysis, i) => ({
    ...analysis,
    findings: [
      ...(feeds[i] && keyOn > 0 ? [keyOnFinding(keyOn, capture.sampleS, recorded.startS)] : []),
      ...bySides(analysis.findings, small[i]!),
    ],
  }));
  const losses = analysed.flatMap(({ findings }) => findings.filter(({ code }) => code === "random-dropout"));
  const dips = feeds.map((supply, i) => supply && supplyFinding(recorded, i, supply, losses));
  // One cause, one finding: what is lost with the supply is no loose signal wire besides.
  const withSupply = dips.some((dip) => dip?.withSignal);
  const feed = dips.findIndex((dip) => (withSupply ? dip?.withSignal : dip));
  const noneTurned = analysed.every(({ signal }, i) => feeds[i] || signal === "flat");
  return analysed.map(({ leads, ...analysis }, i) => {
    const own = withSupply ? analysis.findings.filter(({ code }) => code !== "random-dropout") : analysis.findings;
    const lost = own.length < analysis.findings.length;
    const beside = feeds[i] || feed < 0 ? null : { supply: recorded.channels[feed]!.name, lost };
    // A signal beside a supply that dips is not sound, however whole it is.
    const dip = dips[i] ?? (beside && dips[feed]);
    // Losses that come with the supply repeat by chance, and are no ring's signature.
    const signaturePulses = withSupply && !own.some(({ ringLocked }) => ringLocked) ? null : analysis.signaturePulses;
    return {
      ...analysis,
      signaturePulses,
      isSupply: Boolean(feeds[i]),
      beside,
      leading: leadingFinding(dip ? [...own, dip] : own, leads),
      warnings: [
        ...holeWarnings(recorded.holes),
        ...analysis.warnings,
        ...(noneTurned && !feeds[i] && own.length === 0 ? [NO_PULSE()] : []),
      ],
      findings: believed(dips[i] ? [...own, dips[i]] : own, analysis.revolutions),
    };
  });
}

const ONE_WIRE = (meanV: number) =>
  t`The wave stands on ${meanV.toFixed(1)} V: this is one wire of a coil against ground, which carries half of its voltage. Clip the scope across both wires to judge its size.`;

const NO_PULSE = () => t`No pulse in it: that tells of a fault only if the wheel was turned.`;

/** Findings of one channel with how much each is to be believed. */
function believed(findings: readonly Found[], turns: number | null): Finding[] {
  const likely = findings.filter(({ most }) => most === undefined || most > LIKELIER_THAN_NOT);
  return findings.map((one) => ({
    ...one,
    confidence: confidenceOf(one.code, {
      strength: one.strength,
      turns,
      beside: likely.filter((other) => other !== one).length,
      most: one.most,
    }),
  }));
}

/** A supply is judged by its dips alone, not as a signal. */
function steadied(channel: Channel, usualV: number): Channel {
  return { ...channel, samples: new Float32Array(channel.samples.length).fill(usualV) };
}

/** A channel whose findings are not yet weighed. */
type Unweighed = Omit<ChannelAnalysis, "findings" | "leading" | "isSupply" | "beside"> & {
  findings: Found[];
  /** What leads where no finding does. */
  leads: SignalKind;
};

function analyseChannel(channel: Channel, capture: Capture, options: AnalyseOptions): Unweighed {
  const { name, unit, scale } = channel;
  const { sampleS } = capture;
  const inVolts = channel.scale !== "unknown";
  const list = pulseList(channel, capture, options);
  const { recorded, keyOn, startS, coded, away, hashV, samples, shape, pulses } = list;
  const rhythm = rhythmOf(pulses);
  // What the ring itself is like is read where the wheel runs out by itself; losses count wherever they were.
  const stretch = runningOut(rhythm.periods, rhythm.motion, options.pulses);
  const even = partOf(rhythm, stretch);
  const evenPulses = pulses.slice(stretch[0], stretch[1] + 1);
  const widths = coded || shape.kind !== "two-level" ? null : widthCoding(pulses, rhythm.periods, sampleS);
  // A tooth that stands out does so whoever pushes: it is looked for through all turns without a stop.
  const turning = turningStretches(rhythm.periods, rhythm.motion, options.pulses)
    .map((one) => ({ from: one[0], pulses: pulses.slice(one[0], one[1] + 1), rhythm: partOf(rhythm, one) }))
    .sort((one, other) => other.pulses.length - one.pulses.length);
  const through = turning[0] ?? { from: 0, pulses: [], rhythm: even };
  // Told where the wheel ran out and through the longest turning alike, or by one alone: where they differ nothing is known.
  const bySize = shape.kind === "sine";
  const byRunOut = findPulsesPerRevolution([{ pulses: evenPulses, rhythm: even }], bySize);
  const longest = findPulsesPerRevolution([through], bySize);
  // What one turning is too short to tell, all of them together may.
  const byTurning = longest ?? (turning.length > 1 ? findPulsesPerRevolution(turning, bySize) : null);
  const isAtOdds = byRunOut !== null && byTurning !== null && byRunOut !== byTurning;
  // Sparks come at a pace of their own, which on an evenly driven wheel may fit any count.
  const signature = isAtOdds || list.burstV > 0 ? null : (byRunOut ?? byTurning);
  // Where each edge of a pole makes a pulse, a count of poles is told from the ring by its own twice as many.
  const bothEdges = (coded || widths) && signature === 2 * (options.pulses ?? NaN);
  const still = coded
    ? null
    : standing(recorded, shape, pulses, options.family, { name, unit, scale, sampleS, startS });
  const isSlow = isTooSlow(shape, sampleS) && !still;
  const isTurning = pulses.length >= 8 && shape.kind !== "noise" && !still && !isSlow;
  const endS = isTurning
    ? ((away && endsAway(recorded, away.samples, sampleS)) ?? endsAbruptly(pulses, samples.length, sampleS))
    : null;
  // Too few for a wheel to be judged by, a screen of pulses still shows that one is gone.
  const isScreen = !isTurning && !still && !isSlow && pulses.length >= FEWEST_ON_SCREEN && shape.kind !== "noise";
  const gaps = isTurning || isScreen ? lostPulses(pulses, rhythm.ratios, guardV(shape)) : [];
  const cuts = isTurning && !coded && !away ? cutOffs(samples, shape, pulses) : [];
  const isCutInGap = gaps.some((i) => cuts.some(({ to }) => to > pulses[i]!.at && to <= pulses[i + 1]!.at + 1));
  // The level went where no sensor puts it, or the wave fell to nothing at once: no ring does that, and no hand.
  const isWires = away !== null || isCutInGap;
  const byLosses =
    signature || options.pulses ? null : turnByLosses(gaps, rhythm, turningStretches(rhythm.periods, rhythm.motion));
  const lossesTurn = byLosses?.kind === "ring" ? byLosses : null;
  // A gap that came back once is the ring's at a usual count, yet no measure for speed.
  const sure = lossesTurn && lossesTurn.seen > 1 ? lossesTurn.count : null;
  const found = bothEdges ? signature : (options.pulses ?? signature ?? sure);
  // A set-up may be wrong, and a wrong ring fitted: what the ring itself repeats by is where its faults come round.
  const told = signature && couldBeFitted(signature, options.pulses) ? signature : (found ?? lossesTurn?.count ?? null);
  const counted = (by: number | null) => (by ? countedThroughPushes(rhythm, by) : rhythm);
  const { count, ring, losses } = ringOf(
    told && pulses.length > 8 ? told : null,
    options.pulses,
    (by) => foldRing([{ pulses, rhythm: counted(by), shift: 0 }], by),
    (by) =>
      isTurning
        ? lossFindings(pulses, counted(by?.pulsesPerRevolution ?? null), by, sampleS, startS, guardV(shape), isWires)
        : [],
  );
  const fold = count ?? told;
  const wholeRing = fold ? foldTogether(turning, fold) : null;
  const moving = rhythm.ratios.map((ratio, i) => (rhythm.motion.aside[i] ? NaN : ratio));
  const hertz = range(fold ? evenPeriods(pulses, rhythm, fold) : rhythm.periods, moving, sampleS);
  const tyre = tyreOf(options.tyre);
  const speed = hertz && found ? mapRange(hertz, (value) => speedKmh(value, found, rollingCircumferenceM(tyre))) : null;
  // Met once alone, or too seldom to tell its distance, a gap may be the ring's or a wire's.
  const gapsOpen =
    !isWires && gaps.length > 0 && (isScreen || (ring ? losses.length === 0 : byLosses?.kind === "unsure"));
  // What strong hash takes of the pulses, and what else is lost beneath it, nobody can tell.
  const isHidden =
    (hashV > 0 || list.burstV > 0) && rhythm.ratios.some((ratio, i) => ratio > HIDES && !rhythm.motion.aside[i]);
  const drownedV = inVolts && !isSlow ? drownedBy(recorded, shape) : 0;
  const undecided =
    gapsOpen ||
    isHidden ||
    drownedV > 0 ||
    isSlow ||
    isAliased(rhythm.periods) ||
    endS !== null ||
    (still !== null && still.toggles > 0);
  const findings: Found[] = keyOn > 0 ? [keyOnFinding(keyOn, sampleS, capture.startS)] : [];
  findings.push(...(still?.findings ?? []));
  if (isTurning) {
    const gone =
      away && losses.length === 0 ? levelGone(recorded, away.samples, rhythm.periods, sampleS, startS) : null;
    findings.push(
      ...(gone ? [gone] : losses)
        // What strong hash or bursts take of the pulses is their doing, not a wire's.
        .filter(({ ringLocked }) => ringLocked || (hashV === 0 && list.burstV === 0) || away)
        .filter(({ ringLocked }) => ringLocked || byLosses?.kind !== "unsure" || isWires)
        .map((one) => withLevel(one, away, wayOfLevel(channel, shape, away?.isOver ?? false))),
    );
    if (!findings.some(({ code }) => code === "random-dropout") && hashV === 0 && list.burstV === 0)
      findings.push(...cutOffFinding(cuts, sampleS, startS));
    if (ring && wholeRing && wholeRing.revolutions >= FEWEST_TURNS && hashV === 0 && list.burstV === 0)
      findings.push(
        ...shapeFindings(
          wholeRing,
          isPassive(shape, pulses, options.family),
          coded || widths ? 2 : 1,
          onceATurn({ pulses: evenPulses, rhythm: even }, through, wholeRing.pulsesPerRevolution, sampleS),
          rhythm.teeth[through.from]!,
          (tooth) => toothTimes(pulses, rhythm, ring, tooth, sampleS, startS),
        ),
      );
    else if (!fold && gaps.length === 0 && hashV === 0 && list.burstV === 0 && !coded && !widths) {
      const runsOut = { pulses: evenPulses, rhythm: even };
      findings.push(...uncountedWave(runsOut, through, isPassive(shape, pulses, options.family), sampleS, startS));
    }
  }
  // Tops that are cut off flat are no height.
  const isWave = shape.kind === "sine" || options.family === "passive";
  const clipped = isWave && (isClipped(recorded, list.plain.noiseV) || stopsGrowing(pulses));
  const size = clipped ? null : sizeForSpeed(pulses, rhythm, found, tyre, sampleS);
  const isOneWire = inVolts && ridesOnBias(shape) && isPassive(shape, pulses, options.family);
  if (!coded) {
    findings.push(...disturbances(list, sampleS));
    findings.push(
      ...levelFindings(
        shape,
        pulses,
        size,
        options,
        samples.length * sampleS,
        startS,
        isTurning,
        inVolts && !isSlow,
        drownedV,
      )
        .filter(({ code }) => !(widths && code === "duty-shift"))
        .filter(({ code }) => !(code === "level-out-of-window" && widths && isUnresolved(widths, sampleS))),
    );
  }
  return {
    name,
    signal: coded
      ? "three-level"
      : isTurning && widths
        ? "pulse-width"
        : isTurning
          ? shape.kind
          : shape.kind === "flat"
            ? "flat"
            : pulses.length < 8 && shape.kind === "two-level"
              ? "two-level"
              : shape.kind,
    inVolts,
    levels: { lowV: shape.lowV, highV: shape.highV },
    peakToPeakV: shape.peakToPeakV,
    dutyPct: dutyOf(pulses),
    frequencyHz: hertz,
    speedKmh: speed,
    pulses: pulses.length,
    pulseTimesS: Float64Array.from(pulses, ({ at }) => startS + at * sampleS),
    pulsesPerRevolution: found,
    signaturePulses: signature,
    foldedBy: fold,
    countFrom: !fold ? "unknown" : fold === options.pulses ? "given" : "signature",
    revolutions: ring ? ring.revolutions : null,
    ...(coded ? { frames: coded.frames } : {}),
    ...(widths ? { widths } : {}),
    warnings: [
      ...recordingWarnings(list, clipped, rhythm.periods, speed, sampleS),
      ...undecidedWarnings(isSlow, endS, still?.toggles ?? 0, sampleS),
      ...(gapsOpen
        ? [
            options.pulses
              ? t`Pulses are lost, and too few turns were recorded to tell a gap in the ring from a loose wire. Turn it two turns more without a stop.`
              : t`Pulses are lost, and too few turns were recorded to tell a gap in the ring from a loose wire. Turn it two turns more without a stop, or set the pulses per turn.`,
          ]
        : []),
      ...(isTurning && isOneWire ? [ONE_WIRE(shape.meanV)] : []),
      ...(inVolts
        ? scaleWarnings(channel.unit, shape, findings)
        : [t`Not calibrated: the numbers are no volts. Times are judged, and sizes only against each other.`]),
    ],
    findings,
    // Both sides by the same count: volts per hertz, whatever either ring seemed to repeat by.
    size:
      isTurning && !coded && size && !isOneWire && isPassive(shape, pulses, options.family)
        ? sizeForSpeed(pulses, rhythm, options.pulses ?? null, tyre, sampleS)
        : null,
    undecided,
    leads: isTurning
      ? shape.kind
      : drownedV > 0
        ? "sine"
        : still || isSlow
          ? "two-level"
          : pulses.length < 8
            ? "flat"
            : shape.kind,
  };
}

/** Pulses so short for the sampling that their tops, or a third level, cannot be read. */
function isUnresolved(widths: readonly WidthClass[], sampleS: number): boolean {
  return widths[0]!.us * 1e-6 < SAMPLES_OF_A_TOP * sampleS;
}

const SAMPLES_OF_A_TOP = 6;

/** Where the level goes while pulses are lost tells the wire from the sensor, whose own levels are two. */
function withLevel(finding: Found, away: Excursions | null, way: { isOver?: boolean }): Found {
  if (!away || finding.code !== "random-dropout") return finding;
  return { ...finding, facts: { ...finding.facts, levelV: away.levelV, ...way } };
}

/** Frequency over the whole capture, from periods that hold no gap. */
function range(periods: Float64Array, ratios: Float64Array, sampleS: number): Range | null {
  const even = [...periods]
    .filter((period, i) => Math.abs(ratios[i]! - 1) < 0.5 && period > 0)
    .map((period) => 1 / (period * sampleS))
    .sort((a, b) => a - b);
  if (even.length < 4) return null;
  const at = (share: number) => even[Math.min(even.length - 1, Math.floor(share * even.length))]!;
  return { min: at(0.01), median: median(even), max: at(0.99) };
}

function mapRange({ min, median: middle, max }: Range, by: (value: number) => number): Range {
  return { min: by(min), median: by(middle), max: by(max) };
}

/** When a tooth first passed with the wheel in free motion. */
function toothTimes(
  pulses: readonly Pulse[],
  { teeth, motion }: Rhythm,
  ring: RingPattern,
  tooth: number,
  sampleS: number,
  startS: number,
): [number, number] {
  const passes = [...teeth.keys()].filter((at) => teeth[at]! % ring.pulsesPerRevolution === tooth);
  const i = passes.find((at) => !motion.aside[at]) ?? passes[0] ?? 0;
  return [
    startS + pulses[Math.max(0, i - 1)]!.at * sampleS,
    startS + pulses[Math.min(pulses.length - 1, i + 2)]!.at * sampleS,
  ];
}
