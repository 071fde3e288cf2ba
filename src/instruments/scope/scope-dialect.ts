import * as z from "zod/mini";
import { commandSchema, baudSchema } from "../wire/command";

/** How samples are written in an answer (SCPI-1999 volume 2, FORMat; from memory). */
export const encodings = ["ascii", "int8", "uint8", "int16", "uint16", "real32", "real64"] as const;
export type Encoding = (typeof encodings)[number];

/** Four channels are the most a recording of one corner needs. */
export const MOST_CHANNELS = 4;

/** The words an oscilloscope understands: all of them may be changed. `{channel}` stands for the channel's name. */
export const scopeDialectSchema = z.object({
  baud: baudSchema,
  /** Asks who it is; empty where it does not say. */
  identify: commandSchema,
  /** Makes it take orders by wire; empty where it does without. */
  remote: commandSchema,
  /** Names of the channels, separated by commas. */
  channels: commandSchema,
  /** Takes a new recording and answers when it is there; empty reads what its screen shows. */
  acquire: commandSchema,
  /** Sets how samples are written; empty where that is fixed. */
  format: commandSchema,
  encoding: z.enum(encodings),
  /** Whether the low byte of a sample comes first: IEEE 488.2 usually sends the high one. */
  lowByteFirst: z.boolean(),
  /** Asks for the samples of a channel. */
  data: commandSchema,
  /** Asks for the seconds from sample to sample, or is that number. */
  interval: commandSchema,
  /** Asks for the volts of one step where samples are whole numbers, or is that number; empty where they are volts. */
  scale: commandSchema,
  /** Asks for the whole number that stands for nought volts, or is that number; empty where it is nought. */
  offset: commandSchema,
});
export type ScopeDialect = z.infer<typeof scopeDialectSchema>;

/** The commands of SCPI-1999, volume 2, TRACe, FORMat and SENSe:SWEep (from memory). */
export const usualScopeDialect: ScopeDialect = {
  baud: 115_200,
  identify: "*IDN?",
  remote: "SYST:REM",
  channels: "CH1",
  acquire: "INIT;*OPC?",
  format: "FORM:DATA REAL,32",
  encoding: "real32",
  lowByteFirst: false,
  data: "TRAC:DATA? {channel}",
  interval: "SENS:SWE:TINT?",
  scale: "",
  offset: "",
};

/** The channels a dialect names, at most four. */
export function channelsOf({ channels }: ScopeDialect): string[] {
  return channels
    .split(",")
    .map((name) => name.trim())
    .filter((name) => name !== "")
    .slice(0, MOST_CHANNELS);
}
