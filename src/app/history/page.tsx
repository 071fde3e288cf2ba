import { HistoryScreen } from "@/ui/history/history-screen";

export default function Page() {
  return <HistoryScreen />;
}
