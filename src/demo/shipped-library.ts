import { cornerSetupSchema, type CornerSetup } from "../core/circuit/setup";
import type { Capture } from "../core/capture/capture";
import { recordCar } from "../core/car/synthesise";
import { signalPoint } from "../core/circuit/point";
import { simulateCar } from "../core/car/simulated";
import { libraryItem, type LibraryItem } from "../core/job/library";
import { analyseCapture } from "../core/waveform/analyse";

const PATH: CornerSetup["path"] = [
  { station: "module" },
  { spanM: 1.3, mm2: 0.5 },
  { station: "c1" },
  { spanM: 2.2, mm2: 0.5 },
  { station: "plug" },
];

/** One recording for each kind of sensor in good order, and one for each defect a capture shows. */
const RECORDINGS: { model: string; family: CornerSetup["family"]; fault: string; intermittent?: boolean }[] = [
  { model: "Two-wire active, good", family: "active-2wire", fault: "nothing@none" },
  { model: "Three-wire active, good", family: "active-3wire", fault: "nothing@none" },
  { model: "Passive, good", family: "passive", fault: "nothing@none" },
  { model: "Encoder chunk gone", family: "active-2wire", fault: "ring-missing@ring" },
  { model: "Ring cracked", family: "active-2wire", fault: "ring-cracked@ring-crack" },
  { model: "Debris on a tooth", family: "passive", fault: "ring-debris@ring-debris" },
  { model: "Ring runs out of true", family: "passive", fault: "ring-eccentric@ring-eccentric" },
  { model: "Gap too wide", family: "passive", fault: "mounting-gap@mounting" },
  { model: "Sensor switches by itself", family: "active-2wire", fault: "sensor-erratic@sensor" },
  { model: "Plug terminal loose", family: "active-2wire", fault: "terminal-open@plug.return", intermittent: true },
];
const SAMPLE_S = 1 / 4000;

/** The library that ships with the app: simulated, and said to be. */
export function shippedLibrary(): { item: LibraryItem; capture: Capture }[] {
  return RECORDINGS.map(({ model, family, fault, intermittent = false }, i) => {
    const setup = cornerSetupSchema.parse({ corner: "FL", family, path: PATH });
    const car = simulateCar(setup, fault, { seed: 400 + i, intermittent });
    const samples = recordCar(car, {
      point: signalPoint(setup, "plug"),
      durationS: 4,
      sampleS: SAMPLE_S,
      fromKmh: 15,
      toKmh: 10,
      noiseV: 0.006,
      seed: i,
    });
    const capture: Capture = {
      name: `${model} (simulated)`,
      sampleS: SAMPLE_S,
      startS: 0,
      channels: [{ name: "signal", unit: "V", samples }],
    };
    const [channel] = analyseCapture(capture, { pulses: setup.pulsesPerRevolution, tyre: setup.tyre, family });
    const kind = fault === "nothing@none" ? "known-good" : "known-bad";
    const item = libraryItem({ carName: model, setup }, channel!, kind, {
      id: `shipped-${i}`,
      captureId: `shipped-${i}`,
      at: "2026-01-01",
      simulated: true,
    });
    return { item: { ...item, model }, capture };
  });
}
