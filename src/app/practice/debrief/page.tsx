import { Suspense } from "react";
import { DebriefScreen } from "@/ui/practice/debrief-screen";

export default function Page() {
  return (
    <Suspense>
      <DebriefScreen />
    </Suspense>
  );
}
