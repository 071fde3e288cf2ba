/** The splice as the trade asks for it (common practice, no source): both ways to bright copper, joints apart, twist kept. */
import { expect, it } from "vitest";
import { cornerSetupSchema } from "../circuit/setup";
import { splicePlan } from "./splice-plan";

it("names the span, the stretch, the wires, their size and how far joints stand apart", () => {
  const setup = cornerSetupSchema.parse({
    corner: "RL",
    family: "active-2wire",
    path: [
      { station: "module" },
      { spanM: 1.2, mm2: 0.5 },
      { station: "c1" },
      { spanM: 2.4, mm2: 0.75, landmark: "wheel arch" },
      { station: "plug" },
    ],
  });
  const at = { span: 1, share: 0.9, cells: [], fromM: 0.4, toM: 0.9, narrowed: true, sure: true };
  const [open, cut, splice, keep, seal] = splicePlan(setup, at, ["supply", "return"]);
  expect(open).toMatch(/Battery negative off.*span 2 \(wheel arch\), 0\.4–0\.9 m from its module end/);
  expect(cut).toMatch(/supply wire and return wire|supply and return/);
  expect(splice).toMatch(/0\.75 mm².*sealed heat-shrink.*40 mm apart/);
  expect(keep).toMatch(/twist.*slack/);
  expect(seal).toMatch(/end to end, to ground and the lamp/);
});
