import { JobsBoard } from "@/ui/jobs/jobs-board";

export default function Page() {
  return <JobsBoard seedDemo={process.env.TASTATURA_DEMO === "1"} />;
}

/** Read when asked, not when built: the same build serves with and without the demo workshop. */
export const dynamic = "force-dynamic";
