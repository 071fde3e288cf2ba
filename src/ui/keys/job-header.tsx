"use client";
import { t } from "@/core/words/words";
import clsx from "clsx";
import Link from "next/link";
import { useRouter } from "next/navigation";
import type { ReactNode } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import type { Job } from "@/core/job/schema";
import { Palette } from "./palette";
import { CornerSwitch } from "./corner-switch";
import { useEarlyKeys } from "./early-keys";
import { jobRooms, places } from "./rooms";

/** Name of the car, its corner, and the caps that lead from screen to screen. */
export function JobHeader({ job, here, children }: { job: Job; here: string; children?: ReactNode }) {
  const router = useRouter();
  useHotkeys("j", () => router.push("/"));
  useHotkeys(
    jobRooms.map(({ key }) => key),
    (_, { keys }) => {
      const screen = jobRooms.find(({ key }) => keys?.includes(key));
      if (screen) router.push(`${screen.path}?job=${job.id}`);
    },
  );
  useEarlyKeys();
  return (
    <header className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-rule px-4 py-2 max-sm:px-2">
      <Link href="/" className="text-lg font-bold tracking-tight" title={t`Jobs (J)`}>
        tastatura
      </Link>
      <span className="font-semibold">{job.car.name}</span>
      <CornerSwitch here={here} />
      <span className="rounded-full border border-rule px-3 py-1 text-sm max-sm:hidden">
        {job.complaint.presence === "hard" ? t`hard fault · here now` : t`intermittent · comes and goes`}
      </span>
      {job.simulated && (
        <span className="rounded-full border border-plum px-3 py-1 text-sm text-plum max-sm:hidden">{t`simulated car`}</span>
      )}
      {children}
      <Palette
        commands={[
          ...jobRooms.map(({ name, path }) => ({ id: path, say: name(), path: `${path}?job=${job.id}` })),
          { id: "/", say: t`Jobs board`, path: "/" },
          ...places.map(({ name, path }) => ({ id: path, say: name(), path })),
        ]}
      />
      <nav
        className="ml-auto flex max-w-full gap-2 pb-1 max-md:w-full max-md:justify-between max-md:gap-0.5"
        aria-label={t`Screens of this job`}
      >
        <Link href="/" className="cap shrink-0 max-md:min-w-11! max-md:px-1.5!">
          <span className="legend max-md:text-base! max-md:self-center!" aria-hidden="true">
            J
          </span>
          <span className="max-md:sr-only">{t`Jobs`}</span>
        </Link>
        {jobRooms.map(({ key, name, path }) => (
          <Link
            key={path}
            href={`${path}?job=${job.id}`}
            className="cap shrink-0 max-md:min-w-11! max-md:px-1.5!"
            aria-current={here === path ? "page" : undefined}
          >
            <span
              className={clsx("legend", here !== path && "max-md:text-base! max-md:self-center!")}
              aria-hidden="true"
            >
              {key.toUpperCase()}
            </span>
            {/* On a phone the letter is the key; the room one is in keeps its name, or the beginning of it. */}
            <span className={here === path ? "max-md:max-w-20 max-md:truncate" : "max-md:sr-only"}>{name()}</span>
          </Link>
        ))}
      </nav>
    </header>
  );
}
