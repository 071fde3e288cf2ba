"use client";
import { RoomFailed } from "@/ui/keys/room-failed";

/** What stands in the place of a room that fell over. */
export default function RoomError({ error, reset }: { error: Error; reset: () => void }) {
  return <RoomFailed say={error.message} onRetry={reset} />;
}
