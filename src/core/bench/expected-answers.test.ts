/** What a check would show, in words, where a table of it would be cut off. */
import { expect, it } from "vitest";
import { answerColumns, likelyAnswers } from "./expected-answers";

const ANSWERS = ["clean", "flat", "missing pulses", "cracked ring", "odd tooth", "noise at rest", "level stays"];
const row = (...words01: number[]) => ({ words01 }) as unknown as Parameters<typeof answerColumns>[0]["rows"][number];

it("columns stand for what any suspect would show, in their order, while they are few", () => {
  const rows = [row(0.9, 0, 0, 0.08, 0, 0.01, 0), row(0.5, 0.5, 0, 0, 0, 0, 0)];
  expect(answerColumns({ rows }, ANSWERS)).toEqual([0, 1, 3]);
});

it("many answers are told row by row: likeliest first, three at most, the seldom ones left out", () => {
  const rows = [row(0.04, 0, 0.93, 0, 0, 0.03, 0), row(0.07, 0.08, 0, 0.005, 0.24, 0, 0.6)];
  expect(answerColumns({ rows }, ANSWERS)).toBeNull();
  expect(likelyAnswers(rows[1]!, ANSWERS).map(({ answer }) => answer)).toEqual(["level stays", "odd tooth", "flat"]);
  expect(likelyAnswers(rows[0]!, ANSWERS).map(({ chance }) => chance)).toEqual([0.93, 0.04, 0.03]);
});
