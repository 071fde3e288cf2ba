"use client";
import { jobRoom } from "../jobs/job-room";

/** What is known before anything is measured; the suspicion beside it moves with each answer. */
export const ComplaintScreen = jobRoom("/complaint", () =>
  import("./complaint-form").then((module) => module.ComplaintForm),
);
