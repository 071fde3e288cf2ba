/** Faces, scope references and findings are said as what they are: a swapped side sends the technician to the wrong pin. */
import { describe, expect, it } from "vitest";
import { parsePoint } from "../circuit/point";
import { conductorsOf, cornerSetupSchema, type CornerSetup, type families } from "../circuit/setup";
import { findingKind, findingSays, leadingWord, scopeFindings } from "./findings/findings";
import { pointWords } from "./instruction";
import { scopeReference } from "./scope-set-up";

const setup = cornerSetupSchema.parse({
  corner: "FL",
  family: "active-2wire",
  path: [{ station: "module" }, { spanM: 1, mm2: 0.5 }, { station: "c1" }, { spanM: 1, mm2: 0.5 }, { station: "plug" }],
});
const said = (text: string) => {
  const read = parsePoint(text, setup);
  return read.ok ? pointWords(read.point, setup) : read.say;
};

describe("a point aloud", () => {
  it.each([
    ["c1.in.supply", /supply.*C1.*module side/],
    ["c1.out.supply", /supply.*C1.*sensor side/],
    ["plug.out.return", /return.*sensor plug.*sensor side/],
    ["module.in.supply", /supply.*module pin/],
    ["module.out.supply", /supply.*wire side/],
    ["battery.negative", /battery −/],
    ["battery.positive", /battery \+/],
    ["module.in.power", /battery feed/],
    ["module.in.earth", /ground/],
  ])("%s", (text, words) => expect(said(text)).toMatch(words));

  it("what this corner has not is named, not guessed", () => {
    for (const text of ["c2.in.supply", "c1.mid.supply", "c1.in.signal", "battery.third", "span9.30.supply", "body.x"])
      expect(parsePoint(text, setup).ok, text).toBe(false);
  });
});

describe("findings", () => {
  // Domain, section 4: a two-wire plug has no ground; three-wire takes the sensor's own.
  it("the scope's ground goes where there is one", () => {
    const reference = (family: (typeof families)[number], sense: CornerSetup["sense"] = "low", wire = "return") => {
      const corner = cornerSetupSchema.parse({ ...setup, family, sense });
      const probe = parsePoint(`plug.out.${family === "active-2wire" ? wire : conductorsOf[family][0]}`, corner);
      if (!probe.ok) throw new RangeError(probe.say);
      return scopeReference(corner, probe.point);
    };
    expect(reference("active-3wire")).toMatch(/sensor's own ground/);
    expect(reference("active-2wire", "low")).toMatch(/DC-coupled.*at the battery/);
    expect(reference("active-2wire", "high")).toMatch(/AC-coupled.*never clip it to the supply/);
    expect(reference("active-2wire", "unknown", "return")).toMatch(/DC-coupled/);
    expect(reference("active-2wire", "unknown", "supply")).toMatch(/AC-coupled/);
    expect(reference("passive")).toMatch(/other leg/);
  });

  it("a capture is called by what matters most in it; what is explained calls it nothing", () => {
    expect(leadingWord(["eccentric", "missing-pulses", "random-dropout"])).toBe("missing-pulses");
    expect(leadingWord(["duty-shift", "cracked-ring"])).toBe("cracked-ring");
    expect(leadingWord(["random-dropout", "supply-dip"])).toBe("supply-dip");
    expect(leadingWord(["probe-spike", "key-on-transient"])).toBeNull();
    expect(findingKind("probe-spike").innocent).toBe(true);
  });

  it("each word is offered once, and takes what is logged as it", () => {
    const words = scopeFindings.map(({ word }) => word);
    expect(new Set(words).size).toBe(words.length);
    expect(words).toEqual(expect.arrayContaining(["supply-dip", "duty-shift"]));
    expect(scopeFindings.find(({ word }) => word === "clean")!.also).toContain("interference");
  });

  it("says one and many, lower and higher, with and without the level it fell to", () => {
    const lost = (times: number, levelV?: number) =>
      findingSays({ code: "random-dropout", facts: { times, pulses: 3, ...(levelV === undefined ? {} : { levelV }) } });
    expect(lost(1)).toMatch(/lost once \(3 pulses\)/);
    expect(lost(4)).toMatch(/lost 4 times/);
    expect(lost(1)).not.toMatch(/wire or contact opens/);
    expect(lost(1, 11.7)).toMatch(/11\.7 V.*no sensor makes/);
    expect(findingSays({ code: "odd-tooth", facts: { higher: -0.3 } })).toMatch(/30 % lower/);
    expect(findingSays({ code: "odd-tooth", facts: { higher: 0.3 } })).toMatch(/30 % higher/);
  });
});
