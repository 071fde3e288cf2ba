"use client";
import dynamic from "next/dynamic";
import { roomLoading } from "../keys/room-loading";

/** Known-good and known-bad recordings. */
export const LibraryRoom = dynamic(() => import("./library-screen").then((module) => module.LibraryScreen), {
  ssr: false,
  loading: roomLoading,
});
