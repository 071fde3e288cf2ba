import { t } from "../words/words";
import { strFromU8, strToU8, unzipSync, Zip, ZipDeflate, type UnzipFileInfo } from "fflate";
import * as z from "zod/mini";
import { UnusableInput, type Capture } from "../capture/capture";
import { CAPTURE_FILE, packCapture, unpackCapture } from "./capture-pack";
import { readingsCsv } from "./readings-csv";
import { exportJob, importJob } from "./file";
import { parseJson } from "./version";
import type { Job } from "../job/schema";

export interface KeptCapture {
  id: string;
  capture: Capture;
}

/** Captures by id; those of earlier versions stood beside as WAV, with their names here. */
const listSchema = z.array(
  z.object({
    id: z.string().check(z.regex(/^[\w-]{1,60}$/)),
    name: z.optional(z.string()),
    startS: z.optional(z.number()),
    channels: z.optional(z.array(z.string())),
  }),
);

/**
 * A whole job as one ZIP: the job, its captures value for value, its readings as CSV.
 * @param onCapture told after each capture how many of how many are packed
 */
export function packJob(
  job: Job,
  captures: readonly KeptCapture[],
  onCapture?: (done: number, of: number) => void,
): Uint8Array {
  const list = captures.map(({ id }) => ({ id }));
  const packer = new Packer();
  packer.add("job.json", strToU8(exportJob(job)));
  packer.add("readings.csv", strToU8(readingsCsv(job)));
  packer.add("captures.json", strToU8(JSON.stringify(list)));
  captures.forEach(({ id, capture }, i) => {
    for (const [name, bytes] of packCapture(id, capture)) packer.add(name, bytes);
    onCapture?.(i + 1, captures.length);
  });
  return packer.end();
}

/** Files into one ZIP, one after another, so that progress can be told between them. */
export class Packer {
  private readonly chunks: Uint8Array[] = [];
  private readonly zip: Zip;

  constructor() {
    this.zip = new Zip((error, chunk) => {
      if (error) throw error;
      this.chunks.push(chunk);
    });
  }

  add(name: string, bytes: Uint8Array): void {
    const file = new ZipDeflate(name, { level: 6 });
    this.zip.add(file);
    file.push(bytes, true);
  }

  end(): Uint8Array {
    this.zip.end();
    const out = new Uint8Array(this.chunks.reduce((sum, { length }) => sum + length, 0));
    let at = 0;
    for (const chunk of this.chunks) {
      out.set(chunk, at);
      at += chunk.length;
    }
    return out;
  }
}

/** Largest a ZIP may become, and the most files it may hold: more is no job. */
const LARGEST_BYTES = 600 * 1024 * 1024;
const MOST_FILES = 800;

/**
 * Reads a job ZIP.
 * @throws UnusableInput for what is damaged, too large when unpacked, or no job; nothing is unpacked before it is measured
 */
export function unpackJob(bytes: Uint8Array, name: string): { job: Job; captures: KeptCapture[] } {
  const files = unzip(bytes, name);
  const text = files["job.json"];
  if (!text) throw new UnusableInput(t`${name} is a ZIP without a job.json in it. Choose one exported from here.`);
  const job = importJob(strFromU8(text), `${name}, job.json`);
  const list = files["captures.json"]
    ? listSchema.safeParse(parseJson(strFromU8(files["captures.json"]), `${name}, captures.json`))
    : null;
  if (list && !list.success)
    throw new UnusableInput(t`${name}: the list of captures does not fit. Export the job again.`);
  const captures = (list?.data ?? []).flatMap(({ id, name: title, startS, channels }): KeptCapture[] => {
    const capture = unpackCapture(files, id, name);
    if (!capture) return [];
    return [
      {
        id,
        capture: {
          ...capture,
          ...(title === undefined ? {} : { name: title }),
          ...(startS === undefined ? {} : { startS }),
          channels: capture.channels.map((channel, i) => ({ ...channel, name: channels?.[i] ?? channel.name })),
        },
      },
    ];
  });
  return { job, captures };
}

/** Only the files a job or library has, by their exact names, and none before the sum of sizes is known to be bearable. */
export function unzip(bytes: Uint8Array, name: string, mostFiles = MOST_FILES): Record<string, Uint8Array> {
  let [size, count] = [0, 0];
  const wanted = (file: UnzipFileInfo) => {
    size += file.originalSize;
    count++;
    if (size > LARGEST_BYTES || count > mostFiles)
      throw new UnusableInput(t`${name} would unpack to more than a job can be. It is not opened.`);
    return /^(job|library|captures)\.json$/.test(file.name) || CAPTURE_FILE.test(file.name);
  };
  try {
    return unzipSync(bytes, { filter: wanted });
  } catch (error) {
    if (error instanceof UnusableInput) throw error;
    throw new UnusableInput(t`${name} is a damaged ZIP. Copy or export it again.`, { cause: error });
  }
}
