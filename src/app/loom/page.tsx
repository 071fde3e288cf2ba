import { Suspense } from "react";
import { LoomScreen } from "@/ui/loom/loom-screen";

export default function Page() {
  return (
    <Suspense>
      <LoomScreen />
    </Suspense>
  );
}
