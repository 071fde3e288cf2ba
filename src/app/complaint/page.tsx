import { Suspense } from "react";
import { ComplaintScreen } from "@/ui/complaint/complaint-screen";

export default function Page() {
  return (
    <Suspense>
      <ComplaintScreen />
    </Suspense>
  );
}
