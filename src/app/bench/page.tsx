import { Suspense } from "react";
import { BenchScreen } from "@/ui/bench/bench-screen";

export default function Page() {
  return (
    <Suspense>
      <BenchScreen />
    </Suspense>
  );
}
