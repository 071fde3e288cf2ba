import { t } from "@/core/words/words";
import { download } from "../jobs/download";

/** Hands the browser a trace as SVG, or drawn to twice its size as PNG. @throws Error when the browser cannot draw it */
export async function saveTrace(svg: string, name: string, kind: "svg" | "png"): Promise<void> {
  if (kind === "svg") return download(`${name}.svg`, svg, "image/svg+xml");
  const picture = new Image();
  picture.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await picture.decode();
  const canvas = document.createElement("canvas");
  [canvas.width, canvas.height] = [2 * picture.width, 2 * picture.height];
  canvas.getContext("2d")!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, "image/png"));
  if (!blob) throw new Error(t`the browser made no picture`);
  download(`${name}.png`, new Uint8Array(await blob.arrayBuffer()), "image/png");
}
