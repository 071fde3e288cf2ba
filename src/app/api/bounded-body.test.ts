import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { boundedBody } from "./bounded-body";

const LARGEST = 1000;

/** A request whose body is what the test puts in, piece by piece. */
function upload(announced?: number) {
  let pieces!: ReadableStreamDefaultController<Uint8Array>;
  const cancelled = vi.fn();
  const body = new ReadableStream<Uint8Array>({
    start: (controller) => void (pieces = controller),
    // As the server's own: it does not end before another byte comes.
    cancel: () => {
      cancelled();
      return new Promise(() => undefined);
    },
  });
  const request = new Request("http://here/api/analyze", {
    method: "POST",
    body,
    duplex: "half",
    headers: announced === undefined ? {} : { "content-length": String(announced) },
  } as RequestInit);
  return {
    answer: boundedBody(request, LARGEST),
    send: (length: number) => pieces.enqueue(new Uint8Array(length).fill(7)),
    end: () => pieces.close(),
    cancelled,
  };
}

describe("a request's body", () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());

  it("is taken whole, in whatever pieces it comes", async () => {
    const { answer, send, end } = upload(900);
    for (const length of [1, 499, 400]) send(length);
    end();
    const body = await answer;
    expect(body).toMatchObject({ ok: true });
    expect(body.ok && [...new Set(body.bytes)]).toEqual([7]);
    expect(body.ok && body.bytes).toHaveLength(900);
  });

  it("is refused with 413 by what it announces, and by what comes whatever it announced", async () => {
    expect(await upload(LARGEST + 1).answer).toMatchObject({ ok: false, status: 413 });
    const lies = upload(10);
    lies.send(LARGEST);
    lies.send(1);
    expect(await lies.answer).toMatchObject({ ok: false, status: 413 });
    expect(lies.cancelled).toHaveBeenCalled();
  });

  it("that falls silent is answered with 408 in seconds, though the upload itself never lets go", async () => {
    const { answer, send, cancelled } = upload(900);
    send(1);
    await vi.advanceTimersByTimeAsync(16_000);
    expect(await answer).toMatchObject({ ok: false, status: 408 });
    expect(cancelled).toHaveBeenCalled();
  });

  it("that trickles is cut off as a whole, one in time is not", async () => {
    const slow = upload(900);
    for (let s = 0; s < 120; s += 10) {
      slow.send(1);
      await vi.advanceTimersByTimeAsync(10_000);
    }
    expect(await slow.answer).toMatchObject({ ok: false, status: 408 });
    const inTime = upload(9);
    for (let i = 0; i < 9; i++) {
      inTime.send(1);
      await vi.advanceTimersByTimeAsync(10_000);
    }
    inTime.end();
    expect(await inTime.answer).toMatchObject({ ok: true });
  });

  it("of which a part is missing is said, with how much came; none at all is empty", async () => {
    const { answer, send, end } = upload(500);
    send(200);
    end();
    const body = await answer;
    expect(body).toMatchObject({ ok: false, status: 400 });
    expect(!body.ok && body.say).toMatch(/200 of 500/);
    expect(await boundedBody(new Request("http://here/"), LARGEST)).toMatchObject({ ok: true });
  });
});
