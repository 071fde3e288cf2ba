import { type Corner } from "../units/corner";
import type { Job } from "./schema";

const ADDRESS = /^(.+)~(FL|FR|RL|RR)$/;

/** The name a corner of a job goes by in addresses, drafts and answers kept. */
export function addressOf({ id, setup }: Pick<Job, "id" | "setup">, corner: Corner): string {
  return corner === setup.corner ? id : cornerAddress(id, corner);
}

/** The name a corner beside the first goes by. */
export function cornerAddress(id: string, corner: Corner): string {
  return `${id}~${corner}`;
}

/** The job a name belongs to, and the corner where it is not the first. */
export function ofAddress(address: string): { id: string; corner: Corner | null } {
  const [, id, corner] = ADDRESS.exec(address) ?? [];
  return id && corner ? { id, corner: corner as Corner } : { id: address, corner: null };
}
