/** Oscilloscopes over a wire: blocks by IEEE 488.2-1992 8.7.9 and 8.7.10, samples by SCPI-1999 FORMat (both from memory). */
import { connect, type AddressInfo } from "node:net";
import fc from "fast-check";
import { describe, expect, it, vi } from "vitest";
import type { Capture } from "@/core/capture/capture";
import { serveInstrument } from "../serve";
import { answeringPort } from "../wire/answering";
import { DataAnswer, type Data } from "../wire/data-answer";
import type { BytePort } from "../wire/port";
import { samplesOf } from "./samples-of";
import { scpiScope } from "./scpi-scope";
import { encodings, usualScopeDialect, type Encoding, type ScopeDialect } from "./scope-dialect";
import { simulatedScopePort } from "./simulated-scope";

const text = (signs: string) => new TextEncoder().encode(signs);
const joined = (...pieces: Uint8Array[]) => Uint8Array.from(pieces.flatMap((one) => [...one]));

/** What an answer is, pushed in pieces of these lengths, the rest at once. */
function answered(bytes: Uint8Array, cuts: readonly number[] = []): Data | null {
  const answer = new DataAnswer();
  let at = 0;
  for (const cut of [...cuts, bytes.length]) {
    const whole = answer.push(bytes.slice(at, (at += cut)));
    if (whole) return whole;
  }
  return answer.quiet();
}

/** The bytes a C program writes for these numbers: the platform's own typed arrays, high byte first. */
function written(values: readonly number[], encoding: Exclude<Encoding, "ascii">, lowByteFirst: boolean): Uint8Array {
  const arrays = {
    int8: Int8Array,
    uint8: Uint8Array,
    int16: Int16Array,
    uint16: Uint16Array,
    real32: Float32Array,
    real64: Float64Array,
  };
  const own = new arrays[encoding](values);
  const bytes = new Uint8Array(own.buffer);
  if (lowByteFirst) return bytes;
  return Uint8Array.from(bytes, (_, i) => {
    const size = own.BYTES_PER_ELEMENT;
    return bytes[i - (i % size) + size - 1 - (i % size)]!;
  });
}

describe("a block of bytes", () => {
  const bytes = fc.uint8Array({ maxLength: 300 });
  const cuts = fc.array(fc.nat(7), { maxLength: 60 });

  it("is the same however the line cuts it, with a header or without, whatever bytes it holds", () => {
    fc.assert(
      fc.property(bytes, cuts, fc.constantFrom("", ":TRAC:DATA ", "\r\n"), (held, pieces, head) => {
        const digits = String(held.length);
        const sent = joined(text(`${head}#${digits.length}${digits}`), held, text("\n"));
        expect(answered(sent, pieces)).toEqual({ kind: "block", bytes: held });
      }),
    );
  });

  it("that does not say how long it is ends when nothing more comes", () => {
    fc.assert(
      fc.property(bytes, cuts, (held, pieces) => {
        expect(answered(joined(text("#0"), held, text("\n")), pieces)).toEqual({ kind: "block", bytes: held });
      }),
    );
  });

  it.each([
    // The standard's own example of a definite length: four bytes, with one digit of length or padded.
    ["#14ABCD\n", "block", "ABCD"],
    ["#3004ABCD\n", "block", "ABCD"],
    ["#H2F,1\n", "text", "#H2F,1"],
    ["1.0,-2.5E-1\r\n", "text", "1.0,-2.5E-1"],
    ["\r\n\r\n0.5\n", "text", "0.5"],
  ])("%j is %s %j", (sent, kind, held) => {
    const data = answered(text(sent))!;
    expect([data.kind, data.kind === "text" ? data.text : new TextDecoder().decode(data.bytes)]).toEqual([kind, held]);
  });

  it("of a length nobody would send is refused", () => {
    expect(() => answered(text("#9999999999"))).toThrow(RangeError);
    expect(() => answered(text("#3a1bxyz\n"))).toThrow(RangeError);
  });
});

describe("samples", () => {
  it("of every encoding and order of bytes are the numbers that were written", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 127 }), { minLength: 1, maxLength: 40 }),
        fc.constantFrom(...encodings),
        fc.boolean(),
        (values, encoding, low) => {
          const data: Data =
            encoding === "ascii"
              ? { kind: "block", bytes: text([...values, 0].map((one) => one.toExponential(4)).join(",")) }
              : { kind: "block", bytes: written(values, encoding, low) };
          expect([...samplesOf(data, encoding, low)!].slice(0, values.length)).toEqual(values);
        },
      ),
    );
  });

  it("in the other order of bytes than was said, and text where bytes were asked for, are read all the same", () => {
    const volts = [0.84, 1.68, 0.8412, 1.6791];
    const bytes = written(volts, "real32", true);
    expect([...samplesOf({ kind: "block", bytes }, "real32", false)!]).toEqual([...Float32Array.from(volts)]);
    expect([...samplesOf({ kind: "text", text: "0.5, 1.5" }, "real32", false)!]).toEqual([0.5, 1.5]);
  });

  it.each(['-113,"Undefined header"', "9.91E37,1", "5"])("%j is no recording", (said) => {
    expect(samplesOf({ kind: "text", text: said }, "ascii", false)).toBeNull();
  });

  it("cut off within a number are no recording", () => {
    expect(samplesOf({ kind: "block", bytes: new Uint8Array(7) }, "real32", false)).toBeNull();
  });
});

describe("an oscilloscope", () => {
  const recording: Capture = {
    name: "car",
    sampleS: 1 / 2000,
    startS: 0,
    channels: [
      {
        name: "signal",
        unit: "V",
        samples: Float32Array.from({ length: 12_000 }, (_, i) => (i % 40 < 20 ? 0.84 : 1.68)),
      },
    ],
  };
  const lastOf = async (port: BytePort, dialect: ScopeDialect = usualScopeDialect) => {
    const source = await scpiScope(port, dialect);
    const last = source.last(60)!;
    source.stop();
    return { source, last };
  };

  it("hands out what its screen shows, one after another, in volts and seconds", async () => {
    const source = await scpiScope(
      simulatedScopePort(() => Promise.resolve(recording)),
      usualScopeDialect,
    );
    expect(source.name).toContain("Simulated bench oscilloscope");
    const first = source.last(60)!;
    expect(first.sampleS).toBeCloseTo(1 / 2000, 12);
    expect(first.channels[0]!.samples).toEqual(recording.channels[0]!.samples.slice(0, 4000));
    await vi.waitFor(() => expect(source.last(60)!.startS).toBeGreaterThan(first.startS), { timeout: 3000 });
    source.stop();
  });

  /** Answers by a list; what is not in it is an order. */
  const says = (answers: Record<string, string | Uint8Array>) =>
    answeringPort((message) => Promise.resolve(answers[message] ?? null));
  const plain: ScopeDialect = {
    ...usualScopeDialect,
    remote: "",
    acquire: "",
    channels: "A, B",
    data: "WAV? {channel}",
    interval: "2e-4",
    encoding: "int16",
    scale: "STEP? {channel}",
    offset: "ZERO? {channel}",
  };

  it("of other commands gives whole numbers, each channel with its own step and zero, cut to the shorter", async () => {
    const block = (values: readonly number[]) =>
      joined(text(`#1${2 * values.length}`), written(values, "int16", false), text("\n"));
    const { last } = await lastOf(
      says({
        "*IDN?": "A,B,C,D",
        "WAV? A": block([100, 300, -100]),
        "WAV? B": block([7, 8]),
        "STEP? A": "0.01",
        "STEP? B": "1",
        "ZERO? A": "100",
        "ZERO? B": "0",
      }),
      plain,
    );
    expect(last.sampleS).toBe(2e-4);
    expect(last.channels.map(({ name, samples }) => [name, [...samples]])).toEqual([
      ["A", [0, 2]],
      ["B", [7, 8]],
    ]);
  });

  it("whose whole numbers nobody can turn into volts says so of its channels", async () => {
    const { last } = await lastOf(
      says({ "*IDN?": "A,B,C,D", "WAV? A": joined(text("#14"), written([5, 6], "int16", false)) }),
      { ...plain, channels: "A", scale: "", offset: "" },
    );
    expect(last.channels[0]).toMatchObject({ scale: "unknown" });
  });

  it.each([
    [{ interval: "" }, /time from sample to sample/],
    [{ channels: " , " }, /No channel is named/],
    [{ encoding: "real64" }, /is no recording/],
    [{ data: "DUNNO? {channel}" }, /no longer answers/],
  ] as [Partial<ScopeDialect>, RegExp][])(
    "set up as %j says what is wrong, and its port is closed",
    async (part, why) => {
      const port = says({ "*IDN?": "A,B,C,D", "WAV? A": joined(text("#14"), written([5, 6], "int16", false)) });
      let closed = false;
      const watched = { ...port, close: () => ((closed = true), port.close()) };
      await expect(scpiScope(watched, { ...plain, channels: "A", scale: "", offset: "", ...part })).rejects.toThrow(
        why,
      );
      expect(closed).toBe(true);
    },
  );

  it("on a port of this machine answers as over a serial line", async () => {
    const server = await serveInstrument(() => simulatedScopePort(() => Promise.resolve(recording)), 0);
    const socket = connect((server.address() as AddressInfo).port, "127.0.0.1");
    const chunks = socket.iterator() as AsyncIterator<Uint8Array>;
    const { last } = await lastOf({
      // A line that was closed here reads no more.
      read: async () => (await chunks.next().catch(() => null))?.value ?? null,
      write: (bytes) => Promise.resolve(void socket.write(bytes)),
      close: () => Promise.resolve(void socket.destroy()),
    });
    expect(last.channels[0]!.samples).toEqual(recording.channels[0]!.samples.slice(0, 4000));
    const second = serveInstrument(
      () => simulatedScopePort(() => Promise.resolve(null)),
      (server.address() as AddressInfo).port,
    );
    await expect(second).rejects.toThrow(/EADDRINUSE/);
    await new Promise((resolve) => server.close(resolve));
  });

  it("pulled out in the middle of a block ends, and what was fetched before is still there", async () => {
    let fetched = 0;
    const inner = says({ "*IDN?": "A,B,C,D" });
    const half = text("#3200half of it");
    const out: Uint8Array[] = [];
    let wake = (): void => undefined;
    const port: BytePort = {
      ...inner,
      async read() {
        while (out.length === 0) await new Promise<void>((resolve) => (wake = resolve));
        const next = out.shift()!;
        return next.length === 0 ? null : next;
      },
      write(bytes) {
        const message = new TextDecoder().decode(bytes).trim();
        if (message === "*IDN?") out.push(text("A,B,C,D\n"));
        if (message === "WAV? A") out.push(...(fetched++ === 0 ? [text("1.5,2.5\n")] : [half, new Uint8Array(0)]));
        wake();
        return Promise.resolve();
      },
    };
    const source = await scpiScope(port, { ...plain, channels: "A", scale: "", offset: "", encoding: "ascii" });
    await vi.waitFor(() => expect(source.ended).toMatch(/no longer answers/), { timeout: 3000 });
    expect([...source.last(60)!.channels[0]!.samples]).toEqual([1.5, 2.5]);
    source.stop();
  });
});
