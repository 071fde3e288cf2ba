import { ExplainScreen } from "@/ui/explain/explain-screen";

export default function Page() {
  return <ExplainScreen />;
}
