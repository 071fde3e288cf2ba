import { t } from "@/core/words/words";
/** A photo to be looked at; a page of a diagram, to be read. */
const LONGEST_SIDE_PX = { photo: 1600, page: 3000 };
const LARGEST_BYTES = 60 * 1024 * 1024;

/** A picture as JPEG, no longer than it need be, metadata left behind; or why it is none. */
export async function scaledPhoto(
  file: File,
  of: keyof typeof LONGEST_SIDE_PX = "photo",
): Promise<{ ok: true; photo: Blob } | { ok: false; say: string }> {
  const tooLarge = tooLargeWords(file);
  if (tooLarge) return { ok: false, say: tooLarge };
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file);
  } catch (error) {
    if (!(error instanceof DOMException)) throw error;
    return { ok: false, say: t`${file.name} is no picture this browser can read. Use JPEG, PNG or WebP.` };
  }
  const scale = Math.min(1, LONGEST_SIDE_PX[of] / Math.max(picture.width, picture.height));
  const canvas = new OffscreenCanvas(Math.round(picture.width * scale), Math.round(picture.height * scale));
  canvas.getContext("2d")!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  return { ok: true, photo: await canvas.convertToBlob({ type: "image/jpeg", quality: 0.82 }) };
}

/** Why a file is too large to be a picture; null where it is not. */
export function tooLargeWords({ name, size }: File): string | null {
  return size > LARGEST_BYTES
    ? t`${name} has ${Math.round(size / 1e6)} MB; ${Math.round(LARGEST_BYTES / 1e6)} MB is the most. Save it smaller.`
    : null;
}
