import { t } from "@/core/words/words";

/** Why a body was not taken: too long, too slow, or not all of it. */
export type Body = { ok: true; bytes: Uint8Array } | { ok: false; say: string; status: 400 | 408 | 413 };

/** Silence longer than this between two pieces ends an upload. */
const SILENCE_MS = 15_000;
const WHOLE_MS = 120_000;

/** A request's body, whole or refused: read piece by piece, stopped at a limit whatever its header claims, cut off when it stalls. */
export async function boundedBody(request: Request, largest: number): Promise<Body> {
  const announced = Number(request.headers.get("content-length") ?? NaN);
  if (announced > largest) return tooLong(largest);
  const reader = request.body?.getReader();
  if (!reader) return { ok: true, bytes: new Uint8Array(0) };
  const pieces: Uint8Array[] = [];
  const until = Date.now() + WHOLE_MS;
  let size = 0;
  for (;;) {
    const piece = await inTime(reader.read(), Math.min(SILENCE_MS, until - Date.now()));
    if (piece === null) {
      letGo(reader);
      return { ok: false, status: 408, say: t`the upload stalled; send it again` };
    }
    if (piece.done) break;
    size += piece.value.length;
    if (size > largest) {
      letGo(reader);
      return tooLong(largest);
    }
    pieces.push(piece.value);
  }
  if (size < announced)
    return { ok: false, status: 400, say: t`only ${size} of ${announced} bytes arrived; send it again` };
  const bytes = new Uint8Array(size);
  let at = 0;
  for (const piece of pieces) {
    bytes.set(piece, at);
    at += piece.length;
  }
  return { ok: true, bytes };
}

/** Not waited for: the end of a silent upload is not heard before its next byte, and the answer is due now. */
function letGo(reader: ReadableStreamDefaultReader): void {
  void reader.cancel().catch((error: unknown) => console.error("upload not let go of:", error));
}

function tooLong(largest: number): Body {
  return { ok: false, status: 413, say: t`over ${Math.round(largest / 1e6)} MB; send less` };
}

/** What was promised, or null when it takes too long. */
async function inTime<T>(promised: Promise<T>, ms: number): Promise<T | null> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<null>((resolve) => (timer = setTimeout(() => resolve(null), Math.max(0, ms))));
  try {
    return await Promise.race([promised, late]);
  } finally {
    clearTimeout(timer);
  }
}
