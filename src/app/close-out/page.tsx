import { Suspense } from "react";
import { CloseOutScreen } from "@/ui/close-out/close-out-screen";

export default function Page() {
  return (
    <Suspense>
      <CloseOutScreen />
    </Suspense>
  );
}
