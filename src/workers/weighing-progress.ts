/** Where a worker says how far it has come with a long log. */
export const PROGRESS_CHANNEL = "tastatura-weighing";

export interface WeighingProgress {
  jobId: string;
  weighed: number;
  of: number;
}
