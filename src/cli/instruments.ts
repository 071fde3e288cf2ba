import { errorWords } from "@/core/words/error-words";
import { UnusableInput } from "../core/capture/capture";
import { atPlug } from "../core/simulated/at-plug";
import { meteredCar, recordSimulated } from "../core/simulated/simulated-reading";
import { demoWorkshop } from "../demo/workshop";
import { growingLog } from "../instruments/growing-log";
import { simulatedMeterPort } from "../instruments/meter/simulated-meter";
import { simulatedScopePort } from "../instruments/scope/simulated-scope";
import { serveInstrument } from "../instruments/serve";
import { runCommand } from "./io";

/** The port SCPI instruments answer on by custom (common practice), and the next. */
const [METER_PORT, SCOPE_PORT] = [5025, 5026];

/**
 * A bench meter and a bench oscilloscope on TCP ports of this machine, at the sensor's plug of a demo car, and a logger
 * that writes into a folder: to try by hand what is sent and answered, or to stand in where another program is tried.
 */
await runCommand(async () => {
  const [id = "demo-drover", folder, ...rest] = process.argv.slice(2);
  const cars = demoWorkshop(new Date()).jobs.filter(({ simulated }) => simulated);
  const job = cars.find((one) => one.id === id);
  if (!job || rest.length > 0)
    throw new UnusableInput(
      `usage: npm run --silent instruments -- [${cars.map((one) => one.id).join(" | ")}] [FOLDER for a logger's files]`,
    );
  const shows = (instrument: Parameters<Parameters<typeof simulatedMeterPort>[0]>[0]) => {
    const hookup = atPlug(instrument, job.setup);
    return Promise.resolve(hookup && meteredCar(job, hookup));
  };
  const screens = () => simulatedScopePort(() => Promise.resolve(recordSimulated(job, undefined, true)));
  await serveInstrument(() => simulatedMeterPort(shows), METER_PORT).catch(taken);
  await serveInstrument(screens, SCOPE_PORT).catch(taken);
  const recording = recordSimulated(job, undefined, true);
  if (folder && recording) await growingLog(recording, folder);
  return {
    ...(folder ? { logger: folder } : {}),
    car: job.car.name,
    meter: `127.0.0.1:${METER_PORT}`,
    oscilloscope: `127.0.0.1:${SCOPE_PORT}`,
  };
});

function taken(error: unknown): never {
  throw new UnusableInput(`A port is not to be had: ${errorWords(error)}. Stop what uses it.`, { cause: error });
}
