import { Suspense } from "react";
import { WavesScreen } from "@/ui/waves/waves-screen";

export default function Page() {
  return (
    <Suspense>
      <WavesScreen />
    </Suspense>
  );
}
