import { errorWords } from "@/core/words/error-words";
import { basename } from "node:path";
import { parseArgs } from "node:util";
import { UnusableInput } from "../core/capture/capture";
import { readCaptureFile } from "../core/capture/read-file";
import { families } from "../core/circuit/setup";
import { parseTyre } from "../core/tyre/tyre";
import { analyseCapture } from "../core/waveform/analyse";
import { analysisReport } from "../core/waveform/analysis-report";
import { analyseEach } from "./each-file";
import { isFolder, readBytes, runCommand } from "./io";

const USAGE =
  "usage: npm run --silent analyze -- FILE|FOLDER [--pulses N] [--tyre 205/55R16] [--family active-2wire|active-3wire|passive] [--channel NAME]";

await runCommand(async () => {
  const { values, file } = options();
  if (await isFolder(file)) return { files: await analyseEach(file) };
  const capture = readCaptureFile(await readBytes(file), basename(file));
  const channels = values.channel ? capture.channels.filter(({ name }) => name === values.channel) : capture.channels;
  if (channels.length === 0)
    throw new UnusableInput(
      `${basename(file)} has no channel “${values.channel}”; it has ${capture.channels.map(({ name }) => name).join(", ")}.`,
    );
  const analysed = analyseCapture(
    { ...capture, channels },
    { ...values, ...(values.pulses ? { pulses: values.pulses } : {}) },
  );
  return { channels: analysed.map(analysisReport) };
});

function options() {
  let parsed;
  try {
    parsed = parseArgs({
      args: process.argv.slice(2),
      allowPositionals: true,
      options: {
        pulses: { type: "string" },
        tyre: { type: "string" },
        family: { type: "string" },
        channel: { type: "string" },
      },
    });
  } catch (error) {
    throw new UnusableInput(`${errorWords(error)}; ${USAGE}`, { cause: error });
  }
  const { values, positionals } = parsed;
  if (positionals.length !== 1) throw new UnusableInput(USAGE);
  const family = families.find((one) => one === values.family);
  if (values.family && !family) throw new UnusableInput(`--family ${values.family}: choose ${families.join(", ")}`);
  const pulses = values.pulses === undefined ? undefined : Number(values.pulses);
  if (pulses !== undefined && !(Number.isInteger(pulses) && pulses >= 8 && pulses <= 400))
    throw new UnusableInput(`--pulses ${values.pulses}: a whole number from 8 to 400`);
  if (values.tyre && !parseTyre(values.tyre)) throw new UnusableInput(`--tyre ${values.tyre}: write it as 205/55R16`);
  return {
    file: positionals[0]!,
    values: {
      ...(family ? { family } : {}),
      ...(pulses ? { pulses } : {}),
      ...(values.tyre ? { tyre: values.tyre } : {}),
      ...(values.channel ? { channel: values.channel } : {}),
    },
  };
}
