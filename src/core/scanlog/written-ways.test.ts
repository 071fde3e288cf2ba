/** One drive as scan tools and spreadsheets of several countries write it (common practice, no source). */
import { describe, expect, it } from "vitest";
import { UnusableInput } from "../capture/capture";
import { parseScanCsv } from "./scan-csv";

const STEP_S = 0.25;
const drive = Array.from({ length: 120 }, (_, i) => {
  const kmh = Math.round(10 * (i < 20 ? 2 * i : 40 + 5 * Math.sin(i / 9))) / 10;
  return { t: i * STEP_S, speeds: [kmh, kmh + 0.1, kmh - 0.2, kmh / 2].map((one) => Number(one.toFixed(2))) };
});
const rows = (
  time: (t: number) => string | number,
  speed: (kmh: number) => string | number = (kmh) => kmh,
  between = ",",
) => drive.map(({ t, speeds }) => [time(t), ...speeds.map(speed)].join(between));
const comma = (value: number) => value.toFixed(2).replace(".", ",");
const german = rows(comma, comma, ";");
const clock = (t: number) =>
  `${String(Math.floor(t / 3600) % 24).padStart(2, "0")}:${String(Math.floor(t / 60) % 60).padStart(2, "0")}:${(t % 60).toFixed(2).padStart(5, "0")}`;
const names = ["Front left wheel speed", "Front right wheel speed", "Rear left wheel speed", "Rear right wheel speed"];

const ways: Record<string, string[]> = {
  "words run together": ["Timestamp,WheelSpeedFL,WheelSpeedFR,WheelSpeedRL,WheelSpeedRR", ...rows((t) => t)],
  "units behind values": [
    "Time,FL,FR,RL,RR",
    ...rows(
      (t) => `${t} s`,
      (kmh) => `${kmh} km/h`,
    ),
  ],
  "metres a second": [
    "Time (s),FL (m/s),FR (m/s),RL (m/s),RR (m/s)",
    ...rows(
      (t) => t,
      (kmh) => kmh / 3.6,
    ),
  ],
  German: ["Zeit;Raddrehzahl vorne links;vorne rechts;hinten links;hinten rechts", "s;km/h;km/h;km/h;km/h", ...german],
  "German the other way about": ["Zeit;Links vorn;Rechts vorn;Links hinten;Rechts hinten", ...german],
  French: ["Temps (s);Roue avant gauche;Roue avant droite;Roue arrière gauche;Roue arrière droite", ...german],
  "French in letters": ["Temps (s);Vitesse AVG;Vitesse AVD;Vitesse ARG;Vitesse ARD", ...german],
  Spanish: ["Tiempo (s);Delantera izquierda;Delantera derecha;Trasera izquierda;Trasera derecha", ...german],
  Italian: ["Tempo;Ant. SX;Ant. DX;Post. SX;Post. DX", ...german],
  "stamps with a zone": ["timestamp,FL,FR,RL,RR", ...rows((t) => `2026-11-20T${clock(33000 + t)}Z`)],
  "date and clock in one": ["Date/Time,FL,FR,RL,RR", ...rows((t) => `20.11.2026 ${clock(33000 + t)}`)],
  "over midnight": ["Time,FL,FR,RL,RR", ...rows((t) => clock(86390 + t))],
  "after noon": ["Time,FL,FR,RL,RR", ...rows((t) => `1:${clock(600 + t).slice(3)} PM`)],
  "milliseconds since 1970": ["timestamp,fl,fr,rl,rr", ...rows((t) => 1767225600000 + t * 1000)],
  "a colon before thousandths": [
    "Uhrzeit;VL;VR;HL;HR",
    ...rows((t) => `${clock(33000 + t).replace(".", ":")}0`, comma, ";"),
  ],
  "stamps under one name": ["datetime,LFWSS,RFWSS,LRWSS,RRWSS", ...rows((t) => `2026-11-20 ${clock(33000 + t)}`)],
  elapsed: ["Elapsed,WSSFL,WSSFR,WSSRL,WSSRR", ...rows((t) => t)],
  "turns a minute": [
    "Time,FL (rpm),FR (rpm),RL (rpm),RR (rpm)",
    ...rows(
      (t) => t,
      (kmh) => kmh / 0.117,
    ),
  ],
  "a distance of rows in front": ["Interval: 0.25 s", "FL,FR,RL,RR", ...drive.map(({ speeds }) => speeds.join(","))],
  "pressures by wheel in front": [
    "Time,Brake pressure FL (bar),Tire temp FR,Wheel speed FL,Wheel speed FR,Wheel speed RL,Wheel speed RR",
    ...drive.map(({ t, speeds }) => [t, 12, 21, ...speeds].join(",")),
  ],
  "a value a row": [
    "time,parameter,value,unit",
    ...drive.flatMap(({ t, speeds }) => speeds.map((kmh, at) => `${t},${names[at]},${kmh},km/h`)),
  ],
};

describe("one drive written in many ways", () => {
  it.each(Object.entries(ways))("%s", (_, lines) => {
    const { timeS, speedKmh } = parseScanCsv(lines.join("\n"), "a.csv");
    expect(timeS.at(-1)! - timeS[0]!).toBeCloseTo(STEP_S * (drive.length - 1), 6);
    (["FL", "FR", "RL", "RR"] as const).forEach((corner, at) => {
      const told = [...speedKmh[corner]].filter((kmh) => !Number.isNaN(kmh));
      expect(told).toHaveLength(drive.length);
      told.forEach((kmh, i) => expect(kmh).toBeCloseTo(drive[i]!.speeds[at]!, 6));
    });
  });

  it("wheels by number, and rows by number, are asked about", () => {
    const read = (header: string) => () => parseScanCsv([header, ...rows((t) => t)].join("\n"), "a.csv");
    expect(read("Time,Wheel 1,Wheel 2,Wheel 3,Wheel 4")).toThrow(UnusableInput);
    expect(read("Sample,FL,FR,RL,RR")).toThrow(/no time column/);
  });

  it("what is counted from pulses is no speed", () => {
    const lines = ["Time,FL (Hz),FR (Hz),RL (Hz),RR (Hz)", ...rows((t) => t)];
    expect(() => parseScanCsv(lines.join("\n"), "a.csv")).toThrow(/in hz, counted from pulses/);
  });
});
