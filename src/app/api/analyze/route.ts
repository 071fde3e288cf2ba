import { t } from "@/core/words/words";
import { boundedBody } from "../bounded-body";
import { UnusableInput } from "@/core/capture/capture";
import { readCaptureFile } from "@/core/capture/read-file";
import { families } from "@/core/circuit/setup";
import { parseTyre } from "@/core/tyre/tyre";
import { analyseCapture } from "@/core/waveform/analyse";
import { analysisReport } from "@/core/waveform/analysis-report";

const LARGEST_BYTES = 40 * 1024 * 1024;

/** A capture in, the answer of the command line out: `POST /api/analyze?name=&pulses=&tyre=&family=`. Nothing is kept. */
export async function POST(request: Request): Promise<Response> {
  const { searchParams } = new URL(request.url);
  const body = await boundedBody(request, LARGEST_BYTES);
  if (!body.ok) return Response.json({ say: body.say }, { status: body.status });
  const pulses = searchParams.has("pulses") ? Number(searchParams.get("pulses")) : undefined;
  if (pulses !== undefined && !(Number.isInteger(pulses) && pulses >= 8 && pulses <= 400))
    return Response.json({ say: t`pulses: a whole number from 8 to 400` }, { status: 400 });
  const family = families.find((one) => one === searchParams.get("family"));
  if (searchParams.has("family") && !family)
    return Response.json({ say: t`family: choose ${families.join(", ")}` }, { status: 400 });
  const tyre = searchParams.get("tyre") ?? undefined;
  if (tyre !== undefined && !parseTyre(tyre))
    return Response.json({ say: t`tyre: write it as 205/55R16` }, { status: 400 });
  try {
    const capture = readCaptureFile(body.bytes, (searchParams.get("name") ?? "capture").slice(0, 80));
    const channels = analyseCapture(capture, {
      ...(pulses ? { pulses } : {}),
      ...(family ? { family } : {}),
      ...(tyre ? { tyre } : {}),
    });
    return Response.json({ channels: channels.map(analysisReport) });
  } catch (error) {
    if (error instanceof UnusableInput) return Response.json({ say: error.message }, { status: 400 });
    throw error;
  }
}
