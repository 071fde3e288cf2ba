import { t } from "../words/words";
import { strFromU8, strToU8 } from "fflate";
import * as z from "zod/mini";
import { UnusableInput } from "../capture/capture";
import { firstIssue, parseJson } from "../job-file/version";
import { libraryItemSchema, type LibraryItem } from "./library";
import { packCapture, unpackCapture } from "../job-file/capture-pack";
import { Packer, unzip, type KeptCapture } from "../job-file/zip";

const MOST_ITEMS = 2000;

export const LIBRARY_VERSION = "library/1";

const fileSchema = z.object({
  tastatura: z.literal(LIBRARY_VERSION),
  items: z.array(libraryItemSchema).check(z.maxLength(MOST_ITEMS)),
});

/** A shop's library as one ZIP: the list, and each recording value for value. */
export function packLibrary(items: readonly LibraryItem[], captures: readonly KeptCapture[]): Uint8Array {
  const packer = new Packer();
  packer.add("library.json", strToU8(JSON.stringify({ tastatura: LIBRARY_VERSION, items })));
  for (const { id, capture } of captures) for (const [name, bytes] of packCapture(id, capture)) packer.add(name, bytes);
  return packer.end();
}

/** Reads a library ZIP. @throws UnusableInput for what is damaged, too large or no library */
export function unpackLibrary(bytes: Uint8Array, name: string): { items: LibraryItem[]; captures: KeptCapture[] } {
  const files = unzip(bytes, name, 2 * MOST_ITEMS + 1);
  const text = files["library.json"];
  if (!text) throw new UnusableInput(t`${name} is a ZIP without a library.json in it. Choose one exported from here.`);
  const parsed = fileSchema.safeParse(parseJson(strFromU8(text), `${name}, library.json`));
  if (!parsed.success)
    throw new UnusableInput(t`${name} is no library: ${firstIssue(parsed.error)}. Nothing was changed.`);
  const captures = parsed.data.items.flatMap(({ captureId: id }): KeptCapture[] => {
    const capture = unpackCapture(files, id, name);
    return capture ? [{ id, capture }] : [];
  });
  return { items: parsed.data.items, captures };
}
