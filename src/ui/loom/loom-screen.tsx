"use client";
import { jobRoom } from "../jobs/job-room";

/** The work between sensor plug and module: the map, where the break can be, the wire table, the module's gate. */
export const LoomScreen = jobRoom("/loom", () => import("./loom").then((module) => module.Loom));
