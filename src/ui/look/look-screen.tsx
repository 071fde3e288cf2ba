"use client";
import { jobRoom } from "../jobs/job-room";

/** The first quarter hour at the car: eyes and hands, live data, before any meter. */
export const LookScreen = jobRoom("/look", () => import("./look").then((module) => module.Look));
