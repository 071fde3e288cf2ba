import { errorWords } from "@/core/words/error-words";
import { readFile, stat } from "node:fs/promises";
import { UnusableInput } from "../core/capture/capture";
import { LARGEST_FILE_BYTES } from "../core/capture/csv";

/** Reads a text file. @throws UnusableInput when it is not there, a folder, or too large */
export async function readText(path: string): Promise<string> {
  return new TextDecoder().decode(await readBytes(path));
}

/** Reads a file. @throws UnusableInput when it is not there, a folder, or too large */
export async function readBytes(path: string): Promise<Uint8Array> {
  try {
    const { size, isDirectory } = await stat(path).then((found) => ({
      size: found.size,
      isDirectory: found.isDirectory(),
    }));
    if (isDirectory) throw new UnusableInput(`${path} is a folder. Name a file.`);
    if (size > LARGEST_FILE_BYTES)
      throw new UnusableInput(
        `${path} has ${Math.round(size / 1e6)} MB; ${Math.round(LARGEST_FILE_BYTES / 1e6)} MB is the most. Cut the recording shorter, or thin it.`,
      );
    return new Uint8Array(await readFile(path));
  } catch (error) {
    if (error instanceof UnusableInput) throw error;
    throw new UnusableInput(`${path} cannot be read: ${errorWords(error)}`, {
      cause: error,
    });
  }
}

/** Whether there is a folder of this name. */
export async function isFolder(path: string): Promise<boolean> {
  return stat(path).then(
    (found) => found.isDirectory(),
    () => false,
  );
}

/** Runs a command: JSON to standard output; exit 2 with one line for unusable input, 1 for a fault of ours. */
export async function runCommand(command: () => Promise<unknown>): Promise<void> {
  try {
    process.stdout.write(`${JSON.stringify(await command(), null, 2)}\n`);
  } catch (error) {
    process.stderr.write(`${errorWords(error)}\n`);
    process.exitCode = error instanceof UnusableInput ? 2 : 1;
  }
}
