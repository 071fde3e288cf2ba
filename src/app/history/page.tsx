import { HistoryRoom } from "@/ui/history/history-room";

export default function Page() {
  return <HistoryRoom />;
}
