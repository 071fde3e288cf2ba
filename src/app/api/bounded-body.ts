import { t } from "@/core/words/words";
/** A request's body, read piece by piece and stopped at a limit, whatever its header claims. */
export async function boundedBody(
  request: Request,
  largest: number,
): Promise<{ ok: true; bytes: Uint8Array } | { ok: false; say: string }> {
  const reader = request.body?.getReader();
  if (!reader) return { ok: true, bytes: new Uint8Array(0) };
  const pieces: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.length;
    if (size > largest) {
      await reader.cancel();
      return { ok: false, say: t`over ${Math.round(largest / 1e6)} MB; send less` };
    }
    pieces.push(value);
  }
  const bytes = new Uint8Array(size);
  let at = 0;
  for (const piece of pieces) {
    bytes.set(piece, at);
    at += piece.length;
  }
  return { ok: true, bytes };
}
