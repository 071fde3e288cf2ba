/** The folders a shop's folder has in it: what is put there is an open file each. */
export const folderShelves = ["jobs", "captures", "scans", "photos"] as const;
export type FolderShelf = (typeof folderShelves)[number];

export interface FolderFile {
  name: string;
  bytes: number;
  /** When it was written last, in milliseconds as that machine's clock has it. */
  modified: number;
}

/** A folder that several machines can reach: whole files in, whole files out. Another may write at any moment. */
export interface SharedFolder {
  list(shelf: FolderShelf): Promise<FolderFile[]>;
  read(shelf: FolderShelf, name: string): Promise<Uint8Array>;
  write(shelf: FolderShelf, name: string, bytes: Uint8Array): Promise<void>;
}
