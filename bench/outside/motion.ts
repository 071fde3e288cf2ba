import type { Dice } from "./dice";

/** Angle of a wheel over time, in turns, at a fixed step. */
export interface Motion {
  turns: Float64Array;
  stepS: number;
}

export const motions = ["rest-to-rest", "regripped", "coasting", "driven"] as const;
export type MotionKind = (typeof motions)[number];

const STEP_S = 1e-4;
/** A wheel with its brake disc on a stand, kg·m². */
const INERTIA = 0.9;

/**
 * A wheel turned by a hand, or by an engine: J·dω/dt = hand − drag − imbalance, Coulomb friction that holds it at rest,
 * and a heavy spot that makes it rock as it stops. Newton's second law for rotation; friction and pushes by judgement.
 */
export function wheelMotion(kind: MotionKind, { between, whole }: Dice, lengthS: number): Motion {
  const steps = Math.round(lengthS / STEP_S);
  const turns = new Float64Array(steps);
  const drag = between(0.5, 1.4);
  const viscous = between(0.02, 0.12);
  const heavy = between(0.1, 0.8);
  const heavyAt = between(0, 1);
  let omega = kind === "coasting" ? between(8, 13) : kind === "driven" ? between(6, 40) : 0;
  let angle = between(0, 1);
  const pushes: [fromS: number, toS: number, torque: number][] = [];
  if (kind === "rest-to-rest" || kind === "regripped") {
    let at = between(0.25, 0.9);
    const count = kind === "regripped" ? whole(3, 5) : whole(1, 2);
    for (let i = 0; i < count; i++) {
      const held = between(0.18, 0.4);
      pushes.push([at, at + held, between(20, 36)]);
      at += held + (kind === "regripped" ? between(0.5, 1.1) : between(0.15, 0.4));
    }
  }
  const sway = between(0.5, 1.5);
  for (let i = 0; i < steps; i++) {
    turns[i] = angle;
    if (kind === "driven") {
      angle += ((omega * (1 + 0.03 * Math.sin(sway * i * STEP_S))) / (2 * Math.PI)) * STEP_S;
      continue;
    }
    const t = i * STEP_S;
    const push = pushes.find(([from, to]) => t >= from && t < to);
    const hand = push ? push[2] * Math.sin((Math.PI * (t - push[0])) / (push[1] - push[0])) : 0;
    const weight = -heavy * Math.sin(2 * Math.PI * (angle - heavyAt));
    const forces = hand + weight - viscous * omega;
    if (Math.abs(omega) < 1e-3 && Math.abs(forces) < drag) omega = 0;
    else {
      const before = omega;
      omega += ((forces - drag * Math.sign(omega || forces)) / INERTIA) * STEP_S;
      if (before !== 0 && Math.sign(before) !== Math.sign(omega) && Math.abs(forces) < drag) omega = 0;
    }
    angle += (omega / (2 * Math.PI)) * STEP_S;
  }
  return { turns, stepS: STEP_S };
}
