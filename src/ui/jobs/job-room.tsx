"use client";
import dynamic from "next/dynamic";
import { useSearchParams } from "next/navigation";
import type { ComponentType } from "react";
import type { Job } from "@/core/job/schema";
import { JobHeader } from "../keys/job-header";
import { roomLoading } from "../keys/room-loading";
import { useJob, type ChangeJob } from "./use-job";
import { WithJob } from "./with-job";

/**
 * A room of the job named in the address: its header at once, the room itself as soon as its script is there, or a
 * plain word about why the job cannot be shown.
 * @param here the room's own path
 */
export function jobRoom(
  here: string,
  load: () => Promise<ComponentType<{ job: Job; change: ChangeJob }>>,
): ComponentType {
  const Room = dynamic(load, { ssr: false, loading: roomLoading });
  return function JobRoom() {
    const { state, change, changeCar } = useJob(useSearchParams().get("job"));
    return (
      <WithJob state={state} changeCar={changeCar}>
        {(job) => (
          <>
            <JobHeader job={job} here={here} />
            {/* Another corner is another job to the room: nothing half typed goes with it. */}
            <Room key={job.id} job={job} change={change} />
          </>
        )}
      </WithJob>
    );
  };
}
