"use client";
import { useSyncExternalStore, type ReactNode } from "react";

const never = () => () => undefined;

/**
 * Draws the program in the browser only: the server does not know which tongue this machine speaks, and all that is
 * shown lies in the browser's store anyway.
 */
export function Spoken({ children }: { children: ReactNode }) {
  const here = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  return here ? children : null;
}
