/** What the Bench says to do, over every check of every family: complete, drawn as said, with the cautions that belong to it. */
import { describe, expect, it } from "vitest";
import { cornerSetupSchema, families } from "../circuit/setup";
import { accessSteps } from "./access";
import { checkCatalogue } from "./catalogue";
import { hookupCard } from "./hookup-card";
import { instrumentWords } from "./instruments";
import { cautions, instruction, pointWords } from "./instruction";
import { isDriven } from "./interlocks";
import { walkRound } from "./walk-round";
import { hookupLabel, pointLabel, stateWords } from "./words";

const path = [
  { station: "module", accessMin: 30, pins: { supply: { pin: "7", colour: "red" } } },
  { spanM: 1.2, mm2: 0.5, landmark: "bulkhead" },
  { station: "c1", accessMin: 4 },
  { spanM: 3.4, mm2: 0.5, pierceable: true },
  { station: "plug", accessMin: 7 },
];

describe.each(families)("%s", (family) => {
  const setup = cornerSetupSchema.parse({ corner: "RR", family, path });
  const checks = checkCatalogue(setup, true);

  it("every check is one sentence or a few, with its points and its dial, and no hole in it", () => {
    for (const { hookup, id } of checks) {
      const said = instruction(hookup, setup);
      expect(said, id).toMatch(/[.?]$/);
      expect(said, id).not.toMatch(/undefined|null|NaN|\[object/);
      expect(said.length, id).toBeLessThan(400);
      if (!("red" in hookup)) continue;
      // A jumper stands for the whole plug: its wire and the plug are named, not one face.
      if (hookup.instrument === "amps-dc") {
        expect(said, id).toMatch(/fused 1 A jumpers, the supply one/);
        continue;
      }
      expect(said, id).toContain(pointWords(hookup.red, setup));
      if ("black" in hookup) expect(said, id).toContain(pointWords(hookup.black, setup));
      if (["volts-dc", "volts-ac", "ohms", "hertz"].includes(hookup.instrument))
        expect(said, id).toContain(instrumentWords[hookup.instrument]);
    }
  });

  it("what is drawn is what is said: both leads, the dial, the pin where it is known", () => {
    for (const { hookup, id } of checks) {
      const card = hookupCard(hookup, setup);
      if (!("red" in hookup)) {
        expect(card, id).toBeNull();
        continue;
      }
      expect(
        card!.leads.map(({ colour }) => colour),
        id,
      ).toEqual("black" in hookup ? ["red", "black"] : ["red"]);
      expect(card!.leads[0]!.where, id).toBe(pointWords(hookup.red, setup));
      expect(card!.dial, id).toContain(instrumentWords[hookup.instrument]);
    }
  });

  it("a lead ends in a fine probe at a joined plug, a fine pin in an open one, a clip at the battery", () => {
    for (const { hookup, id } of checks)
      for (const { end, where } of hookupCard(hookup, setup)?.leads ?? []) {
        if (hookup.instrument === "amps-dc") expect(end, id).toBeNull();
        else if (/battery|body/.test(where)) expect(end, id).toMatch(/clip|back-probe/);
        else if (hookup.state.unplugged.length === 0 && !/insulation/.test(where)) expect(end, id).toBe("back-probe");
        else if (/insulation/.test(where)) expect(end, id).toBe("piercing-probe");
      }
    const ends = new Set(checks.flatMap(({ hookup }) => hookupCard(hookup, setup)?.leads ?? []).map(({ end }) => end));
    for (const end of ["back-probe", "fine-pin", "piercing-probe", "clip"] as const) expect(ends).toContain(end);
  });

  it("labels tell checks apart, with the state of the car beside them", () => {
    const said = checks.map(
      ({ hookup }) => `${hookupLabel(hookup)} | ${stateWords(hookup.state)} | ${hookup.instrument}`,
    );
    expect(new Set(said).size).toBe(said.length);
  });

  it("cautions stand where the work can hurt and nowhere else", () => {
    for (const { hookup, id, access } of checks) {
      const all = cautions(hookup).join(" ");
      const raised = access.some((step) => step.id === "lift");
      if (hookup.state.wheel === "hand") expect(all, id).toMatch(/Rated stands.*spinning hub/);
      if (!raised) expect(all, id).not.toMatch(/spinning hub/);
      expect(/Battery negative off/.test(all), id).toBe(
        hookup.state.batteryOff || hookup.state.unplugged.includes("module"),
      );
      expect(/traffic/.test(all), id).toBe(isDriven(hookup));
      if ("red" in hookup && hookup.red.at === "span") expect(all, id).toMatch(/seal the hole/);
    }
  });

  it("each caution stands at the checks that can do that harm, and at no other (domain.md section 8: common practice)", () => {
    const wheelUp = "bearing foot ring face swap count sensor gap runout magnet which other-side encoder";
    const where: [RegExp, string][] = [
      [/never under a jack/i, wheelUp],
      [/spinning hub/, "which other-side"],
      [/seized sensor can break/, "face swap magnet"],
      [/Private ground only/, "fuse-out"],
      [/helper reading the screen/, "speed steering"],
      [/can let the wheel go/, "bearing"],
      [/fans, belts/, "wake-bump wake-turn wiggle-c1 wiggle-plug wiggle-span1 wiggle-span2 wiggle-lead"],
      [/Salted spray/, "wake-wet"],
      [/Hot-air gun/, "wake-heat"],
    ];
    const looks = checks.flatMap(({ hookup }) => ("look" in hookup ? [hookup] : []));
    for (const [caution, names] of where) {
      const wanted = names.split(" ").filter((name) => looks.some(({ look }) => look === name));
      const seen = looks.filter((hookup) => caution.test(cautions(hookup).join(" "))).map(({ look }) => look as string);
      expect(seen.toSorted(), caution.source).toEqual(wanted.toSorted());
    }
    const meters = checks.flatMap(({ hookup }) => ("red" in hookup ? [hookup] : []));
    for (const hookup of meters) {
      const all = cautions(hookup).join(" ");
      const { state, instrument } = hookup;
      expect(/spinning hub/.test(all)).toBe(state.wheel === "hand");
      expect(/does not look at the instrument/.test(all)).toBe(state.recorded === true);
      expect(/Back-probe/.test(all)).toBe(
        state.key === "on" && state.unplugged.length === 0 && instrument !== "amps-dc",
      );
      expect(/fans, belts|Salted|Hot-air|Private ground/.test(all)).toBe(false);
    }
  });

  it("the walk round the corner opens nothing before it looks, and takes the wheel off once", () => {
    const walk = walkRound(setup);
    const off = walk.map((hookup) => accessSteps(hookup, setup).access.some(({ id }) => id === "wheel-off"));
    const first = off.indexOf(true);
    const last = off.lastIndexOf(true);
    expect(off.slice(first, last + 1).every(Boolean)).toBe(true);
    expect(walk.findIndex(({ instrument }) => instrument === "scan")).toBe(0);
    expect(walk.filter((hookup) => "look" in hookup && hookup.look === "encoder")).toHaveLength(
      family === "passive" ? 0 : 1,
    );
    const out = walk.findIndex((hookup) => accessSteps(hookup, setup).access.some(({ id }) => id === "sensor-out"));
    expect(
      walk.slice(0, out).every((hookup) => !accessSteps(hookup, setup).access.some(({ id }) => id === "sensor-out")),
    ).toBe(true);
  });

  it("short labels of points are short and tell the faces apart", () => {
    const points = checks.flatMap(({ hookup }) => ("red" in hookup ? [hookup.red] : []));
    for (const point of points) expect(pointLabel(point).length).toBeLessThan(34);
    const both = points.filter((point) => point.at === "face" && point.station === "c1");
    const wires = new Set(both.map((point) => (point.at === "face" ? `${point.face} ${point.conductor}` : "")));
    expect(new Set(both.map(pointLabel)).size).toBe(wires.size);
  });
});

// Domain facts: a two-wire plug has no ground, a coil's other leg is none; a fine probe where a meter's tip spreads terminals.
it.each([
  [{ family: "active-2wire", sense: "low" }, /battery −, at the battery/, "clip", "0.5 V · 0.3 s"],
  [{ family: "active-2wire", sense: "high" }, /battery −, at the battery/, "clip", "0.2 V · 0.3 s"],
  [{ family: "active-3wire", pullUpV: 12 }, /own ground/, "back-probe", "2 V · 0.3 s"],
  [{ family: "passive" }, /other leg/, "back-probe", "0.5 V · 0.3 s"],
] as const)("a scope's ground and range are drawn as they are said: %j", (own, ground, end, screen) => {
  const corner = cornerSetupSchema.parse({ corner: "RR", ...own, path });
  const scopes = checkCatalogue(corner).filter(({ hookup }) => hookup.instrument === "scope");
  expect(scopes.length).toBeGreaterThan(1);
  for (const { hookup } of scopes) {
    const card = hookupCard(hookup, corner)!;
    expect(instruction(hookup, corner)).toMatch(ground);
    expect(card.ground).toMatchObject({ where: expect.stringMatching(ground) as string, end });
    expect(card.screen).toBe(screen);
  }
});
