import { describe, expect, it } from "vitest";
import * as z from "zod/mini";
import { issueWords } from "./issue-words";
import { fileNameKept, LONGEST, typedText } from "./typed-text";

describe("what does not fit", () => {
  const schema = z.object({
    plate: typedText("plate"),
    pulses: z.int().check(z.gte(8), z.lte(400)),
    sense: z.enum(["low", "high"]),
    at: z.union([z.string(), z.number()]),
    path: z.array(z.string()).check(z.minLength(3)),
  });
  const fits = { plate: "NW 1", pulses: 48, sense: "low", at: 1, path: ["module", "span", "plug"] };
  it.each([
    [{ plate: "P".repeat(LONGEST.plate + 1) }, "plate: at most 40 signs"],
    [{ plate: 7 }, "plate: a text is wanted"],
    [{ pulses: 7 }, "pulses: at least 8"],
    [{ pulses: 401 }, "pulses: at most 400"],
    [{ pulses: 47.5 }, "pulses: a whole number is wanted"],
    [{ sense: "middle" }, "sense: one of low, high is wanted"],
    [{ path: ["module"] }, "path: at least 3 of them"],
    [{ at: true }, "at: a text is wanted or a number is wanted"],
  ])("%j is said with its place, in words", (parts, said) => {
    const read = schema.safeParse({ ...fits, ...parts });
    const issue = read.error!.issues[0]!;
    expect(`${issue.path.join(".")}: ${issueWords(issue)}`).toBe(said);
  });

  it("a file's name too long to store keeps its beginning and its kind", () => {
    const kept = fileNameKept(`spin-${"n".repeat(300)}.csv`);
    expect(kept).toMatch(/^spin-n+…n+\.csv$/);
    expect(kept).toHaveLength(LONGEST.fileName);
    expect(fileNameKept("spin.csv")).toBe("spin.csv");
  });
});
