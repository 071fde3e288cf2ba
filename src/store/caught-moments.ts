import * as z from "zod/mini";
import { dropText, keepText, keptJson } from "./small-texts";

const momentsSchema = z.array(
  z.object({
    /** Its recording, as captures are kept. */
    captureId: z.string().check(z.maxLength(60)),
    /** When it was caught, ISO. */
    at: z.string().check(z.maxLength(40)),
    code: z.string().check(z.maxLength(40)),
    /** What was being done, as marked by hand just before. */
    mark: z._default(z.string().check(z.maxLength(120)), ""),
  }),
);
export type CaughtMoment = z.infer<typeof momentsSchema>[number];

const keyOf = (jobId: string) => `tastatura-caught-${jobId}`;

/** Moments a watch on this job has caught, newest first; they outlive the page. */
export function caughtMoments(jobId: string): CaughtMoment[] {
  const parsed = momentsSchema.safeParse(keptJson(keyOf(jobId)) ?? []);
  return parsed.success ? parsed.data : [];
}

/** Keeps these, and no others. */
export function keepCaughtMoments(jobId: string, moments: readonly CaughtMoment[]): void {
  if (moments.length === 0) dropText(keyOf(jobId));
  else keepText(keyOf(jobId), JSON.stringify(moments));
}
