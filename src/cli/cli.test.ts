import { spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import { gzipSync, strToU8 } from "fflate";
import { captureToWav } from "../core/capture/wav";
import { captureToCsv } from "../core/capture/csv";
import { demoWorkshop } from "../demo/workshop";

const { captures, jobs } = demoWorkshop(new Date(0));
const folder = mkdtempSync(join(tmpdir(), "tastatura-"));
afterAll(() => rmSync(folder, { recursive: true }));
const run = (command: string, ...args: string[]) =>
  spawnSync(process.execPath, ["scripts/command.mjs", command, ...args], {
    encoding: "utf8",
  });
const file = (name: string, text: string) => {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
};

interface Channel {
  findings: { code: string }[];
  pulses: number;
  speedKmh: { median: number };
}

describe("commands", () => {
  it("analyze finds on the demo's captures what their simulated cars hide, a folder of them at once", () => {
    const expected: Record<string, string | null> = {
      "demo-pelican-capture": "missing-pulses",
      "demo-drover-capture": "low-amplitude",
      "demo-heron-capture": "cracked-ring",
      "demo-plover-capture": "random-dropout",
      "demo-siskin-capture": "odd-tooth",
      "demo-knot-capture": null,
    };
    expect(captures.map(({ id }) => id).sort()).toEqual(Object.keys(expected).sort());
    const shelf = join(folder, "shelf");
    mkdirSync(shelf);
    for (const { id, capture } of captures) writeFileSync(join(shelf, `${id}.csv`), captureToCsv(capture));
    writeFileSync(join(shelf, "letter.csv"), "dear diary");
    const done = run("analyze", shelf);
    expect(done.status).toBe(0);
    expect(done.stderr).toContain("7 of 7");
    const { files } = JSON.parse(done.stdout) as {
      files: Record<string, { channels: Channel[]; error?: string }>;
    };
    expect(files["letter.csv"]!.error).toMatch(/no rows of numbers/);
    for (const [id, code] of Object.entries(expected)) {
      const [channel] = files[`${id}.csv`]!.channels;
      const codes = channel!.findings.map((one) => one.code);
      if (code === null) expect(codes, id).toEqual([]);
      else expect(codes, id).toContain(code);
    }
  });

  it("analyze is told pulses, family and tyre, and tells the speed", () => {
    const { id, name, capture } = captures.find((one) => one.id === "demo-heron-capture")!;
    const { setup } = jobs.find((job) => id.startsWith(job.id))!;
    const done = run(
      "analyze",
      file(name, captureToCsv(capture)),
      "--pulses",
      String(setup.pulsesPerRevolution),
      "--family",
      setup.family,
      "--tyre",
      setup.tyre!,
    );
    expect(done.stderr).toBe("");
    expect(done.status).toBe(0);
    const { channels } = JSON.parse(done.stdout) as { channels: Channel[] };
    expect(channels[0]!.findings.map(({ code }) => code)).toContain("cracked-ring");
    expect(channels[0]!.speedKmh.median).toBeGreaterThan(2);
    expect(channels[0]!.speedKmh.median).toBeLessThan(12);
  });

  it("analyze reads WAV and gzip as it reads text", () => {
    const { capture } = captures.find(({ id }) => id === "demo-pelican-capture")!;
    const write = (name: string, bytes: Uint8Array) => {
      const path = join(folder, name);
      writeFileSync(path, bytes);
      return path;
    };
    for (const path of [
      write("spin.wav", captureToWav(capture)),
      write("spin.csv.gz", gzipSync(strToU8(captureToCsv(capture)))),
    ]) {
      const done = run("analyze", path, "--pulses", "48");
      expect(done.stderr).toBe("");
      expect(done.stdout).toContain("missing-pulses");
    }
  });

  it("diagnose prints the contract's fields", () => {
    const corner = {
      tastatura: "diagnose/1",
      corner: "FL",
      family: "passive",
      path: [{ station: "module" }, { spanM: 2, mm2: 0.5 }, { station: "plug" }],
      readings: [
        {
          instrument: "ohms",
          red: "plug.out.a",
          black: "plug.out.b",
          state: { key: "off", batteryOff: true, unplugged: ["plug"] },
          value: "OL",
        },
      ],
    };
    const done = run("diagnose", file("corner.json", JSON.stringify(corner)));
    expect(done.status).toBe(0);
    const answer = JSON.parse(done.stdout) as Record<string, unknown> & {
      suspects: { fault: string; share: number }[];
    };
    expect(Object.keys(answer).toSorted()).toEqual(
      ["suspects", "parts", "hypotheses", "misfit", "unread", "next", "contradictions", "guess"].toSorted(),
    );
    expect(answer.suspects[0]!.fault).toBe("sensor-open");
    expect(answer.suspects[0]!.share).toBeGreaterThan(0.8);
  });

  it.each([
    ["analyze", [], /usage/],
    ["analyze", ["/nowhere/x.csv"], /cannot be read/],
    ["analyze", [file("words.csv", "dear diary")], /no rows of numbers/],
    ["analyze", [file("few.csv", "1,2\n2,3\n3,4\n"), "--pulses", "many"], /--pulses many/],
    ["analyze", [file("any.csv", "1,2"), "--family", "steam"], /--family steam/],
    ["diagnose", [file("cut.json", '{"tastatura":"diagnose/1",')], /cut short/],
    ["diagnose", [file("other.json", '{"tastatura":"diagnose/7"}')], /version “diagnose\/7”/],
  ])("%s %j: exit 2 and one line", (command, args, say) => {
    const done = run(command, ...args);
    expect(done.status).toBe(2);
    expect(done.stdout).toBe("");
    expect(done.stderr.trim()).toMatch(say);
    expect(done.stderr.trim().split("\n")).toHaveLength(1);
  });
});
