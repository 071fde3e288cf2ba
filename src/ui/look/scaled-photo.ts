import { t } from "@/core/words/words";
const LONGEST_SIDE_PX = 1600;
const LARGEST_BYTES = 60 * 1024 * 1024;

/** A photo as JPEG, at most 1600 px long, metadata left behind; or why it is none. */
export async function scaledPhoto(file: File): Promise<{ ok: true; photo: Blob } | { ok: false; say: string }> {
  if (file.size > LARGEST_BYTES)
    return {
      ok: false,
      say: t`${file.name} has ${Math.round(file.size / 1e6)} MB; ${Math.round(LARGEST_BYTES / 1e6)} MB is the most. Save it smaller.`,
    };
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file);
  } catch (error) {
    if (!(error instanceof DOMException)) throw error;
    return { ok: false, say: t`${file.name} is no picture this browser can read. Use JPEG, PNG or WebP.` };
  }
  const scale = Math.min(1, LONGEST_SIDE_PX / Math.max(picture.width, picture.height));
  const canvas = new OffscreenCanvas(Math.round(picture.width * scale), Math.round(picture.height * scale));
  canvas.getContext("2d")!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  return { ok: true, photo: await canvas.convertToBlob({ type: "image/jpeg", quality: 0.82 }) };
}
