import { t } from "@/core/words/words";
import { boundedBody } from "../bounded-body";
import { families } from "@/core/circuit/setup";
import { parseTyre } from "@/core/tyre/tyre";
import { admit, analyseApart } from "./pool";

const LARGEST_BYTES = 40 * 1024 * 1024;

/** A capture in, the answer of the command line out: `POST /api/analyze?name=&pulses=&tyre=&family=`. Nothing is kept. */
export async function POST(request: Request): Promise<Response> {
  const { searchParams } = new URL(request.url);
  const pulses = searchParams.has("pulses") ? Number(searchParams.get("pulses")) : undefined;
  if (pulses !== undefined && !(Number.isInteger(pulses) && pulses >= 8 && pulses <= 400))
    return refused(400, t`pulses: a whole number from 8 to 400`);
  const family = families.find((one) => one === searchParams.get("family"));
  if (searchParams.has("family") && !family) return refused(400, t`family: choose ${families.join(", ")}`);
  const tyre = searchParams.get("tyre") ?? undefined;
  if (tyre !== undefined && !parseTyre(tyre)) return refused(400, t`tyre: write it as 205/55R16`);
  const leave = admit();
  if (!leave) return slowly(refused(429, t`too many analyses at once; try again in a moment`));
  try {
    const body = await boundedBody(request, LARGEST_BYTES);
    if (!body.ok) return refused(body.status, body.say);
    const answer = await analyseApart({
      bytes: body.bytes,
      name: (searchParams.get("name") ?? "capture").slice(0, 80),
      options: { ...(pulses ? { pulses } : {}), ...(family ? { family } : {}), ...(tyre ? { tyre } : {}) },
    });
    if (answer.ok) return Response.json({ channels: answer.channels });
    return refused("status" in answer ? answer.status : 400, answer.say);
  } finally {
    leave();
  }
}

/** Who is turned away hears of it a moment later, no two at once: asking again at once, and together, would keep the pages waiting. */
const REFUSED_AFTER_MS = { least: 600, most: 1800 };
const MOST_HELD = 64;
let held = 0;

async function slowly(response: Response): Promise<Response> {
  if (held >= MOST_HELD) return response;
  held++;
  const { least, most } = REFUSED_AFTER_MS;
  await new Promise((resolve) => setTimeout(resolve, least + (most - least) * Math.random()));
  held--;
  return response;
}

function refused(status: number, say: string): Response {
  return Response.json({ say }, { status, ...(status === 429 ? { headers: { "retry-after": "5" } } : {}) });
}
