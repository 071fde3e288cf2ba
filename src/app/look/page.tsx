import { Suspense } from "react";
import { LookScreen } from "@/ui/look/look-screen";

export default function Page() {
  return (
    <Suspense>
      <LookScreen />
    </Suspense>
  );
}
