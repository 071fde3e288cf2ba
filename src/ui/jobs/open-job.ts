"use client";
import { createContext, useContext } from "react";
import type { ChangeJob, OpenJob } from "./use-job";

/** The whole car of which a room shows one corner, and how to change it. */
export interface OpenCar extends OpenJob {
  changeCar: ChangeJob;
}

export const OpenCarContext = createContext<OpenCar | null>(null);

/** The car that is open; null where a room shows a job that is not. */
export function useOpenCar(): OpenCar | null {
  return useContext(OpenCarContext);
}
