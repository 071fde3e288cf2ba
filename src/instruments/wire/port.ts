/** A line to a device, both ways. */
export interface BytePort {
  /** What arrives, "garbled" where the port says that bytes came broken, null once the line is closed or the device gone. */
  read(): Promise<Uint8Array | "garbled" | null>;
  write(bytes: Uint8Array): Promise<void>;
  close(): Promise<void>;
}
