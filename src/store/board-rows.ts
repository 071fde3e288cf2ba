import * as z from "zod/mini";
import { boardRowSchema, type BoardRow } from "../core/board/board";
import { shelf } from "./shelf";
import { workedOutShelves } from "./worked-out";

const rows = shelf(workedOutShelves.rows);

const keptSchema = z.object({ key: z.string(), row: boardRowSchema });

/** A job's row as it was worked out; null where there is none, or one of another state of the job. */
export async function keptRow(jobId: string, key: string): Promise<BoardRow | null> {
  const parsed = keptSchema.safeParse(await rows.getItem<unknown>(jobId));
  return parsed.success && parsed.data.key === key ? parsed.data.row : null;
}

/** All rows there are, by job: each gives itself to whoever names the state it was worked out of. */
export async function keptRows(): Promise<Map<string, (key: string) => BoardRow | null>> {
  const found = new Map<string, (key: string) => BoardRow | null>();
  await rows.iterate((value: unknown, id) => {
    found.set(id, (key) => {
      if (typeof value !== "object" || value === null || !("key" in value) || value.key !== key) return null;
      const parsed = keptSchema.safeParse(value);
      return parsed.success ? parsed.data.row : null;
    });
  });
  return found;
}

export async function keepRow(jobId: string, key: string, row: BoardRow): Promise<void> {
  await rows.setItem(jobId, { key, row });
}
