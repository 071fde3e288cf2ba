import { Suspense } from "react";
import { PracticeScreen } from "@/ui/practice/practice-screen";

export default function Page() {
  return (
    <Suspense>
      <PracticeScreen />
    </Suspense>
  );
}
