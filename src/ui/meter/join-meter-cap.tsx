"use client";
import { useHotkeys } from "react-hotkeys-hook";
import { t } from "@/core/words/words";
import { Cap } from "../keys/cap";
import { useJoinedMeter } from "./joined-meter";

/** Opens the choice of meters, where none is joined yet. */
export function JoinMeterCap({ onJoin }: { onJoin: () => void }) {
  const joined = useJoinedMeter();
  useHotkeys("m", onJoin, { enabled: !joined });
  return joined ? null : <Cap legend="M" onClick={onJoin}>{t`connect a meter`}</Cap>;
}
