import clsx from "clsx";
import { t } from "@/core/words/words";
import { jobRooms, places, type Room } from "./rooms";

/** The words of the shell, said before any script is there. */
export interface ShellWords {
  tagline: string;
  jobs: string;
  newJob: string;
  wait: string;
  jobScreens: string;
  /** Names of all rooms by path. */
  rooms: Record<string, string>;
}

/** What the shell says in the tongue spoken now. */
export function shellWords(): ShellWords {
  return {
    tagline: t`Wheel speed faults, traced to their true cause.`,
    jobs: t`Jobs`,
    newJob: t`New job`,
    wait: t`One moment…`,
    jobScreens: t`Screens of this job`,
    rooms: Object.fromEntries([...jobRooms, ...places].map(({ path, name }) => [path, name()])),
  };
}

interface ShellProps {
  words: ShellWords;
  path: string;
  /** Of the address, with its question mark. */
  search: string;
}

/** A room as the server sends it: header and keys in place, its own content still to come. */
export function Shell({ words, path, search }: ShellProps) {
  const inJob = jobRooms.some((room) => room.path === path);
  return (
    <>
      {path === "/" ? (
        <header className="mx-auto flex max-w-6xl flex-wrap items-center gap-3 px-4 py-4 max-sm:gap-1.5 max-sm:py-2">
          <h1 className="text-2xl font-bold tracking-tight">tastatura</h1>
          <p className="text-muted max-sm:hidden">{words.tagline}</p>
          <div className="few-lines ml-auto flex flex-wrap gap-2 max-sm:ml-0 max-sm:gap-1.5">
            {places.map((room) => (
              <Key key={room.path} room={room} words={words} />
            ))}
            <span className="cap lead" data-early-key="n">
              <span className="legend" aria-hidden="true">
                N
              </span>
              <span>{words.newJob}</span>
            </span>
          </div>
        </header>
      ) : (
        <header className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-rule px-4 py-2 max-sm:px-2">
          <a href="/" className="text-lg font-bold tracking-tight">
            tastatura
          </a>
          {!inJob && words.rooms[path] && <h1 className="font-semibold">{words.rooms[path]}</h1>}
          <nav
            className={clsx(
              "ml-auto flex max-w-full gap-2 pb-1",
              inJob && "max-md:w-full max-md:justify-between max-md:gap-0.5",
            )}
            aria-label={inJob ? words.jobScreens : undefined}
          >
            <a href="/" className={clsx("cap shrink-0", inJob && "max-md:min-w-11! max-md:px-1.5!")}>
              <span className={clsx("legend", inJob && "max-md:text-base! max-md:self-center!")} aria-hidden="true">
                J
              </span>
              <span className={clsx(inJob && "max-md:sr-only")}>{words.jobs}</span>
            </a>
            {inJob &&
              jobRooms.map((room) => <Key key={room.path} room={room} words={words} here={path} search={search} />)}
          </nav>
        </header>
      )}
      <p className="p-16 text-center text-muted" role="status">
        {words.wait}
      </p>
    </>
  );
}

function Key({ room, words, here, search = "" }: { room: Room; words: ShellWords; here?: string; search?: string }) {
  const isHere = here === room.path;
  const small = here !== undefined;
  return (
    <a
      href={room.path + search}
      className={clsx("cap", small && "shrink-0 max-md:min-w-11! max-md:px-1.5!")}
      aria-current={isHere ? "page" : undefined}
    >
      <span className={clsx("legend", small && !isHere && "max-md:text-base! max-md:self-center!")} aria-hidden="true">
        {room.key.toUpperCase()}
      </span>
      <span className={clsx(small && (isHere ? "max-md:max-w-20 max-md:truncate" : "max-md:sr-only"))}>
        {words.rooms[room.path]}
      </span>
    </a>
  );
}
