"use client";
import { jobRoom } from "../jobs/job-room";

/** The Bench of the job named in the address. */
export const BenchScreen = jobRoom("/bench", () => import("./bench").then((module) => module.Bench));
