"use client";
import dynamic from "next/dynamic";
import { roomLoading } from "../keys/room-loading";

/** The shop's jobs and what they came to. */
export const HistoryRoom = dynamic(() => import("./history-screen").then((module) => module.HistoryScreen), {
  ssr: false,
  loading: roomLoading,
});
