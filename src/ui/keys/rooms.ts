import { t } from "@/core/words/words";

/** A room and the key that leads to it. */
export interface Room {
  key: string;
  path: string;
  name: () => string;
}

/** Rooms of one job, in working order. */
export const jobRooms: readonly Room[] = [
  { key: "c", path: "/complaint", name: () => t`Complaint` },
  { key: "e", path: "/look", name: () => t`Look` },
  { key: "b", path: "/bench", name: () => t`Bench` },
  { key: "w", path: "/waves", name: () => t`Waves` },
  { key: "l", path: "/loom", name: () => t`Loom` },
  { key: "x", path: "/close-out", name: () => t`Close-out` },
];

/** Rooms that belong to no job, as the board offers them. */
export const places: readonly Room[] = [
  { key: "p", path: "/practice", name: () => t`Practice` },
  { key: "x", path: "/explain", name: () => t`Explain` },
  { key: "l", path: "/library", name: () => t`Library` },
  { key: "h", path: "/history", name: () => t`History` },
  { key: "k", path: "/reckoner", name: () => t`Reckoner` },
  { key: "s", path: "/settings", name: () => t`Settings` },
];
