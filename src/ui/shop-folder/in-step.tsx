"use client";
import dynamic from "next/dynamic";

/** The shop's folder, once the room itself is there. */
export const InStep = dynamic(() => import("./folder-watch").then((module) => module.FolderWatch), { ssr: false });
