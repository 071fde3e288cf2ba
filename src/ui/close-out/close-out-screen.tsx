"use client";
import { jobRoom } from "../jobs/job-room";

/** The end of a job: what is proven, how it is repaired, that it is fixed, what it costs, and the record. */
export const CloseOutScreen = jobRoom("/close-out", () => import("./close-out").then((module) => module.CloseOut));
