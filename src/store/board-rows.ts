import * as z from "zod/mini";
import { boardRowSchema, type BoardRow } from "../core/job/board";
import { shelf } from "./shelf";
import { workedOutShelves } from "./worked-out";

const rows = shelf(workedOutShelves.rows);

const keptSchema = z.object({ key: z.string(), row: boardRowSchema });

/** A job's row as it was worked out; null where there is none, or one of another state of the job. */
export async function keptRow(jobId: string, key: string): Promise<BoardRow | null> {
  const parsed = keptSchema.safeParse(await rows.getItem<unknown>(jobId));
  return parsed.success && parsed.data.key === key ? parsed.data.row : null;
}

export async function keepRow(jobId: string, key: string, row: BoardRow): Promise<void> {
  await rows.setItem(jobId, { key, row });
}
