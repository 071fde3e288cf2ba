/** Meters that speak for themselves: messages by IEEE 488.2 and SCPI-1999 (from memory), lines by a user's pattern, ports that fail. */
import fc from "fast-check";
import { afterEach, describe, expect, it, vi } from "vitest";
import { settable, usualDialect } from "./dialect";
import { lineMeter } from "./line-meter";
import { linePattern } from "./line-pattern";
import { Lines } from "../wire/lines";
import type { BytePort } from "../wire/port";
import { identityOf, scpiNumber } from "../wire/scpi";
import { bytePort } from "../wire/serial-port";
import { functionOf } from "./function-of";
import type { Heard } from "./meter";
import { scpiMeter } from "./scpi-meter";
import { simulatedMeterPort } from "./simulated-meter";

describe("SCPI messages", () => {
  it.each([
    ["12", 12],
    ["+8.43000000E-01", 0.843],
    ["-.5", -0.5],
    ["1.0E+03,+2", 1000],
    [" 5.0 E -3 ", 0.005],
    ["+9.90000000E+37", Infinity],
    ["-9.9E37", -Infinity],
    ["9.91E37", null],
    ["1,2 V", 1],
    ["ERR", null],
    ["", null],
    ["0x10", null],
  ])("%j is the number %s", (answer, value) => {
    expect(scpiNumber(answer)).toBe(value);
  });

  it("take an identity of four fields and no other", () => {
    expect(identityOf('Invented,"BM 7",0012,1.02')).toEqual({
      maker: "Invented",
      model: "BM 7",
      serial: "0012",
      firmware: "1.02",
    });
    expect(identityOf("hello")).toBeNull();
  });
});

describe("what a meter is set to", () => {
  // The long and short forms of SCPI-1999 volume 2, FUNCtion and CONFigure? (from memory).
  it.each([
    ['"VOLT"', "volts-dc"],
    ['"VOLT:DC"', "volts-dc"],
    ["VOLTAGE:AC", "volts-ac"],
    ['"RES +1.000000E+03,+1.000000E-03"', "ohms"],
    ['"FRES"', "ohms"],
    ["CONT", "continuity"],
    ['"SENS:FREQ"', "hertz"],
    ['"CURR"', "amps-dc"],
    ['"CURR:AC"', "other"],
    ["DIOD", "other"],
    ['-113,"Undefined header"', null],
    ["", null],
  ] as const)("by its answer %j is %s", (answer, set) => {
    expect(functionOf(answer)).toBe(set);
  });
});

describe("lines", () => {
  it("are the same however the bytes are cut, whatever ends them, and never endless", () => {
    const text = fc.array(fc.stringMatching(/^[ -~µΩ]{0,20}$/), { maxLength: 8 });
    fc.assert(
      fc.property(
        text,
        fc.constantFrom("\n", "\r\n", "\r"),
        fc.array(fc.nat(9), { maxLength: 40 }),
        (all, end, cuts) => {
          const bytes = new TextEncoder().encode(all.map((line) => line + end).join(""));
          const lines = new Lines();
          const got: string[] = [];
          let at = 0;
          for (const cut of cuts) got.push(...lines.push(bytes.slice(at, (at += cut))));
          got.push(...lines.push(bytes.slice(at)), ...lines.push(new TextEncoder().encode(end)));
          expect(got).toEqual(all.map((line) => line.trim()).filter((line) => line !== ""));
        },
      ),
    );
    expect(new Lines().push(new Uint8Array(5000).fill(65))[0]!.length).toBeLessThanOrEqual(400);
  });

  it.each([
    ["{value} {unit}", "0.843 VDC", "0.843 VDC"],
    ["{value} {unit}", "0,843V", "0.843 V"],
    ["{value} {unit}", "OL MOhm", "OL"],
    ["* {value}{unit} *", "DC  -1.250 mV AUTO", "-1.250 mV"],
    ["#{value};{unit}", "#12.5;Hz", "12.5 Hz"],
    ["{value} {unit}", "battery low", null],
    ["#{value}", "12.5", null],
  ])("pattern %j reads %j as %j", (pattern, line, read) => {
    const made = linePattern(pattern);
    expect(made.ok && made.read(line)).toBe(read);
  });

  it("refuse a pattern without one place for the number, and take any sign in it as it is", () => {
    expect(linePattern("volts {unit}").ok).toBe(false);
    expect(linePattern("{value} {value}").ok).toBe(false);
    fc.assert(
      fc.property(fc.stringMatching(/^[!-)+-~]{0,12}$/), (sign) => {
        fc.pre(!/[{}*]/.test(sign));
        const made = linePattern(`${sign} {value}`);
        expect(made.ok && made.read(`${sign} 3.5`)).toBe("3.5");
      }),
    );
  });
});

describe("a meter", () => {
  afterEach(() => vi.useRealTimers());
  const until = async (heard: Heard[], fits: (one: Heard) => boolean) => {
    await vi.waitFor(() => expect(heard.some(fits)).toBe(true), { timeout: 3000 });
    return heard.find(fits)!;
  };

  it("says who it is, is set to what is asked, and is read again and again until it is left", async () => {
    const shows: Record<string, number | null> = {
      "volts-dc": 0.843,
      ohms: Infinity,
      continuity: 0.3,
      "amps-dc": 0.0141,
    };
    const heard: Heard[] = [];
    const meter = await scpiMeter(
      simulatedMeterPort((at) => Promise.resolve(shows[at] ?? null)),
      usualDialect,
      (one) => heard.push(one),
    );
    expect(meter.name).toContain("Simulated bench meter");
    expect(await meter.set("volts-dc")).toBe(true);
    await until(heard, (one) => one.kind === "reading" && one.text === "843 mV" && one.instrument === "volts-dc");
    await meter.set("ohms");
    await until(heard, (one) => one.kind === "reading" && one.text === "OL" && one.instrument === "ohms");
    await meter.set("continuity");
    await until(heard, (one) => one.kind === "reading" && one.text === "beep");
    await meter.set("amps-dc");
    await until(heard, (one) => one.kind === "reading" && one.text === "14.1 mA");
    await meter.set("hertz");
    await until(heard, (one) => one.kind === "line");
    expect(await meter.set("lamp")).toBe(false);
    await meter.close();
    const before = heard.length;
    await new Promise((resolve) => setTimeout(resolve, 600));
    expect(heard.slice(before).filter(({ kind }) => kind !== "line")).toEqual([]);
  });

  /** A port that answers as a list of questions and answers says, one line back for each line in. */
  function talks(answers: (message: string) => string | null): BytePort {
    const out: string[] = [];
    let wake = (): void => undefined;
    return {
      read: async () => {
        while (out.length === 0) await new Promise<void>((resolve) => (wake = resolve));
        return new TextEncoder().encode(out.shift());
      },
      write: (bytes) => {
        const answer = answers(new TextDecoder().decode(bytes).trim());
        if (answer !== null) out.push(answer);
        wake();
        return Promise.resolve();
      },
      close: () => Promise.resolve(),
    };
  }

  it("somebody turned by its knob says so: its volts are not taken for ohms", async () => {
    let knob = "VOLT:AC";
    const heard: Heard[] = [];
    const meter = await scpiMeter(
      talks((asked) => ({ "*IDN?": "A,B,C,D\n", "READ?": "12.1\n", "FUNC?": `"${knob}"\n` })[asked] ?? null),
      usualDialect,
      (one) => heard.push(one),
    );
    await meter.set("ohms");
    await until(heard, (one) => one.kind === "reading" && one.instrument === "volts-ac" && one.text === "12.1 V");
    knob = "TEMP";
    await until(heard, (one) => one.kind === "reading" && one.instrument === "other");
    expect(heard.filter((one) => one.kind === "reading" && one.instrument === "ohms")).toEqual([]);
    await meter.close();
  });

  it("that echoes, answers with units or does not know what it is set to is read all the same", async () => {
    const heard: Heard[] = [];
    let asked = 0;
    const meter = await scpiMeter(
      talks((message) => {
        if (message === "FUNC?") return `${message}\r\n${asked++ ? "" : "-113\r\n"}`;
        return message === "READ?"
          ? "READ?\r\n843.2 mVDC\r\n"
          : message.endsWith("?")
            ? `${message}\r\nmeter 7\r\n`
            : null;
      }),
      usualDialect,
      (one) => heard.push(one),
    );
    await meter.set("volts-dc");
    await until(heard, (one) => one.kind === "reading" && one.text === "843.2 mVDC" && one.instrument === "volts-dc");
    expect(meter.name).toBe("meter 7");
    expect(asked).toBe(1);
    await meter.close();
  });

  it("at another speed sends no text, and is told so; broken bytes do not end the line", async () => {
    const sent: (Uint8Array | "broken")[] = [
      Uint8Array.from({ length: 40 }, (_, i) => (i * 37) % 32),
      "broken",
      // "µ" as a meter without Unicode writes it.
      Uint8Array.from([...new TextEncoder().encode("12.5 "), 0xb5, ...new TextEncoder().encode("A\r\n")]),
    ];
    const stream = () =>
      new ReadableStream<Uint8Array>(
        {
          pull(sender) {
            const next = sent.shift();
            if (next === "broken") sender.error(new DOMException("framing", "FramingError"));
            else if (next) sender.enqueue(next);
          },
        },
        { highWaterMark: 0 },
      );
    const serial = { open: () => Promise.resolve(), close: () => Promise.resolve(), writable: new WritableStream() };
    let readable = stream();
    const heard: Heard[] = [];
    const port = bytePort({
      ...serial,
      get readable() {
        return readable.locked && sent.length === 1 ? (readable = stream()) : readable;
      },
    });
    const meter = lineMeter(port, "{value} {unit}", "meter", (one) => heard.push(one));
    await until(heard, (one) => one.kind === "reading" && one.text === "12.5 µA");
    expect(heard.slice(0, 2).map(({ kind }) => kind)).toEqual(["garbled", "garbled"]);
    await meter.close();
  });

  it("has a command of its own for every quantity", () => {
    expect(new Set(settable.map((one) => usualDialect.set[one])).size).toBe(settable.length);
  });

  it("that does not answer is told, and its port is closed", async () => {
    vi.useFakeTimers();
    let closed = false;
    const mute: BytePort = {
      read: () => new Promise(() => undefined),
      write: () => Promise.resolve(),
      close: () => Promise.resolve(void (closed = true)),
    };
    const joining = expect(scpiMeter(mute, usualDialect, () => undefined)).rejects.toThrow(/Nothing answered/);
    await vi.advanceTimersByTimeAsync(5000);
    await joining;
    expect(closed).toBe(true);
  });

  it("that sends lines is read by its pattern; pulled out, it is said to be gone", async () => {
    let unplug!: (reason: Error) => void;
    let gone = false;
    const readable = new ReadableStream<Uint8Array>({
      start(sender) {
        sender.enqueue(new TextEncoder().encode("DC 1.68 V\r\nbatt low\r\n"));
        unplug = (reason) => sender.error(reason);
      },
    });
    const port = bytePort({
      open: () => Promise.resolve(),
      close: () => Promise.resolve(),
      get readable() {
        return gone ? null : readable;
      },
      writable: new WritableStream(),
    });
    const heard: Heard[] = [];
    const meter = lineMeter(port, "DC {value} {unit}", "meter", (one) => heard.push(one));
    await until(heard, (one) => one.kind === "reading" && one.text === "1.68 V");
    await until(heard, (one) => one.kind === "line" && one.text === "batt low");
    gone = true;
    unplug(new Error("device lost"));
    await until(heard, (one) => one.kind === "gone");
    await meter.close();
    expect(() => lineMeter(port, "no number", "meter", () => undefined)).toThrow(/\{value\}/);
  });
});
