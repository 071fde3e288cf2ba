/**
 * How much a verdict hangs on each judged number: every one is halved and doubled in a copy of the code, and logs kept from
 * the outside world are judged again. Prints the table of docs/physics.md.
 * usage: node scripts/sensitivity.mjs LOGS [NAME …]   (LOGS from `npm run bench:outside -- 60 --logs LOGS`; all numbers unless named)
 */
import { cpus } from "node:os";
import { readFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { ChangedCopy } from "./changed-copy.mjs";
import { root } from "./run.mjs";

/** Of a share near one its distance from one is halved and doubled. */
const shareOf = (times) => (value) => 1 - (1 - value) * times;
const sizeOf = (times) => (value) => value * times;

const NUMBERS = [
  ["src/core/verdict/suspects.ts", "PROOF_SHARE", shareOf],
  ["src/core/verdict/suspects.ts", "SEEN_SHARE", shareOf],
  ["src/core/verdict/suspects.ts", "SPREAD_SHARE", shareOf],
  ["src/core/verdict/needs.ts", "DIRECT_RATIO"],
  ["src/core/verdict/suspects.ts", "MOST_UNLISTED"],
  ["src/core/verdict/leave-one-out.ts", "KEPT_SHARE", shareOf],
  ["src/core/observation/likelihood.ts", "SLIP"],
  ["src/core/observation/likelihood.ts", "LAMP_SLIP"],
  ["src/core/observation/likelihood.ts", "ANYWHERE"],
  ["src/core/observation/likelihood.ts", "OTHER_PIN"],
  ["src/core/observation/likelihood.ts", "CONTAMINATED"],
  ["src/core/observation/likelihood.ts", "SLIP_OVER_LIMIT"],
  ["src/core/observation/likelihood.ts", "ERRS_ALIKE", shareOf],
  ["src/core/observation/scale.ts", "HAND_SPEED_ERROR"],
  ["src/core/observation/word-chances.ts", "ANALYSED", shareOf],
  ["src/core/observation/word-chances.ts", "BY_EYE"],
  ["src/core/observation/word-chances.ts", "SLIP"],
  ["src/core/observation/seen-share.ts", "WATCHED"],
  ["src/core/observation/second-look.ts", "SEEN_ALIKE"],
  ["src/core/observation/reader.ts", "CREEP_BETWEEN"],
  ["src/core/observation/reader.ts", "COMES_UP_ANEW"],
  ["src/core/belief/kernel.ts", "OWN_WIDTH"],
  ["src/core/belief/kernel.ts", "SCATTER"],
  ["src/core/belief/forecasts.ts", "STEP"],
  ["src/core/belief/forecasts.ts", "STEEP"],
  ["src/core/belief/forecasts.ts", "JUMP"],
  ["src/core/belief/forecasts.ts", "HARDLY"],
  ["src/core/belief/weigh.ts", "LEAST_TRUST"],
  ["src/core/belief/unlisted.ts", "UNLISTED_PRIOR"],
  ["src/core/belief/unlisted.ts", "ANYTHING"],
  ["src/core/belief/pairs.ts", "PAIR_PRIOR"],
  ["src/core/belief/candidates.ts", "COMMON_WIDTH", shareOf],
];

/** Where a number stands and what it is: a number or a quotient of two. */
const standing = (name) => new RegExp(`(const ${name} = )([^;]+);`);
const gone = NUMBERS.filter(([file, name]) => !standing(name).test(readFileSync(join(root, file), "utf8")));
if (gone.length > 0) throw new Error(`no longer there: ${gone.map(([file, name]) => `${name} of ${file}`).join(", ")}`);

const logs = resolve(process.argv[2] ?? "");
const usual = await judged(new ChangedCopy(), null);
console.log(
  `${usual.logs} logs; as it is: right ${usual.right}, proven ${usual.proven}, wrongly ${usual.wronglyProven}, bits short ${usual.missing.toFixed(3)}\n`,
);
console.log(
  "| number | value | halved: right, proven, wrongly, bits short | doubled: right, proven, wrongly, bits short |",
);
console.log("| --- | --- | --- | --- |");
const named = new Set(process.argv.slice(3));
const queue = NUMBERS.filter(([, name]) => named.size === 0 || named.has(name));
await Promise.all(
  cpus().map(async () => {
    const copy = new ChangedCopy();
    for (let next = queue.shift(); next; next = queue.shift()) {
      const [file, name, by = sizeOf] = next;
      const [value, half] = await judged(copy, { file, name, by: by(0.5) });
      const [, twice] = await judged(copy, { file, name, by: by(2) });
      console.log(`| \`${name}\` of ${file.replace("src/core/", "")} | ${value} | ${told(half)} | ${told(twice)} |`);
    }
    copy.remove();
  }),
);

async function judged(copy, change) {
  const args = ["node_modules/tsx/dist/cli.mjs", "bench/replay.ts", logs, "--json"];
  if (!change) {
    const { text } = await copy.run(process.execPath, args);
    copy.remove();
    return JSON.parse(text);
  }
  let value;
  const { text } = await copy.tryWith(
    change.file,
    (source) =>
      source.replace(standing(change.name), (_, head, tail) => {
        value = tail;
        return `${head}${change.by(Function(`return ${tail}`)())};`;
      }),
    process.execPath,
    args,
  );
  return [value, text ? JSON.parse(text) : null];
}

function told(result) {
  return result
    ? `${result.right}, ${result.proven}, ${result.wronglyProven}, ${result.missing.toFixed(3)}`
    : "does not run";
}
