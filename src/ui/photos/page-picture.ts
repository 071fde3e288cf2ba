import { t } from "@/core/words/words";
import { scaledPhoto, tooLargeWords } from "./scaled-photo";

export type PagePicture = { ok: true; photo: Blob; pages: number } | { ok: false; say: string };

/** A page of a diagram as a picture: of a PDF the page asked for, of a photo itself. @param page from 1 */
export async function pagePicture(file: File, page = 1): Promise<PagePicture> {
  if (!isPdf(file)) {
    const scaled = await scaledPhoto(file, "page");
    return scaled.ok ? { ...scaled, pages: 1 } : scaled;
  }
  const tooLarge = tooLargeWords(file);
  if (tooLarge) return { ok: false, say: tooLarge };
  const pdf = await import("pdfjs-dist");
  pdf.GlobalWorkerOptions.workerPort ??= new Worker(new URL("pdfjs-dist/build/pdf.worker.mjs", import.meta.url), {
    type: "module",
    name: "pdf",
  });
  try {
    const document = await pdf.getDocument({ data: new Uint8Array(await file.arrayBuffer()) }).promise;
    const wanted = await document.getPage(Math.min(page, document.numPages));
    const whole = wanted.getViewport({ scale: 1 });
    const viewport = wanted.getViewport({ scale: PAGE_PX / Math.max(whole.width, whole.height) });
    const canvas = window.document.createElement("canvas");
    [canvas.width, canvas.height] = [Math.round(viewport.width), Math.round(viewport.height)];
    await wanted.render({ canvas, viewport }).promise;
    const photo = await new Promise<Blob | null>((done) => canvas.toBlob(done, "image/jpeg", 0.85));
    const pages = document.numPages;
    await document.loadingTask.destroy();
    return photo ? { ok: true, photo, pages } : { ok: false, say: t`${file.name}: this page is too large to draw.` };
  } catch (error) {
    if (!(error instanceof Error)) throw error;
    return {
      ok: false,
      say: t`${file.name} cannot be read as a PDF: ${error.message}. Take a photo of the page instead.`,
    };
  }
}

/** Long enough that the smallest print of a page can be read. */
const PAGE_PX = 2600;

function isPdf({ name, type }: File): boolean {
  return type === "application/pdf" || /\.pdf$/i.test(name);
}
