"use client";
import { jobRoom } from "../jobs/job-room";

/** A capture and what it says: trace, ring raster, ring clock, findings. */
export const WavesScreen = jobRoom("/waves", () => import("./waves").then((module) => module.Waves));
