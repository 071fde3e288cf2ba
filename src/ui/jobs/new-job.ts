import { nanoid } from "nanoid";
import { cornerSetupSchema } from "@/core/circuit/setup";
import { JOB_VERSION, type Job } from "@/core/job/schema";
import { complaintSchema } from "@/core/complaint/complaint";
import type { Settings } from "@/core/settings/settings";

/** A job with a usual car behind it, so that three answers are enough to start. */
export function newJob({ priors, ratios, policy, meter }: Settings): Job {
  return {
    tastatura: JOB_VERSION,
    id: nanoid(10),
    createdAt: new Date().toISOString(),
    car: { name: "", plate: "" },
    setup: cornerSetupSchema.parse({
      corner: "FL",
      family: "active-2wire",
      ...(meter ? { meter } : {}),
      path: [
        { station: "module", accessMin: 40 },
        { spanM: 1.2, mm2: 0.5 },
        { station: "c1", accessMin: 4 },
        { spanM: 3.2, mm2: 0.5 },
        { station: "plug", accessMin: 7 },
      ],
    }),
    complaint: complaintSchema.parse({}),
    policy,
    ...(priors ? { priors } : {}),
    ...(ratios ? { ratios } : {}),
    entries: [],
  };
}
