import * as z from "zod/mini";
import { baudSchema, commandSchema as command } from "../wire/command";

/** What a meter can be set to by a command. */
export const settable = ["volts-dc", "volts-ac", "ohms", "continuity", "amps-dc", "hertz", "capacitance"] as const;
export type Settable = (typeof settable)[number];

/** The words a meter understands: all of them may be changed. */
export const dialectSchema = z.object({
  baud: baudSchema,
  /** Asks who it is; empty where it does not say. */
  identify: command,
  /** Makes it take orders by wire; empty where it does without. */
  remote: command,
  /** Asks for one reading as it stands. */
  read: command,
  /** Asks what it is set to; empty where it does not say. */
  function: z._default(command, "FUNC?"),
  /** Sets it to what a check reads; empty where that is done by hand. */
  set: z.object({
    "volts-dc": command,
    "volts-ac": command,
    ohms: command,
    continuity: command,
    "amps-dc": command,
    hertz: command,
    capacitance: command,
  }),
});
export type Dialect = z.infer<typeof dialectSchema>;

/** The commands of SCPI-1999, volume 2, CONFigure, READ? and SENSe:FUNCtion? (from memory): what most bench meters understand. */
export const usualDialect: Dialect = {
  baud: 9600,
  identify: "*IDN?",
  remote: "SYST:REM",
  read: "READ?",
  function: "FUNC?",
  set: {
    "volts-dc": "CONF:VOLT:DC",
    "volts-ac": "CONF:VOLT:AC",
    ohms: "CONF:RES",
    continuity: "CONF:CONT",
    "amps-dc": "CONF:CURR:DC",
    hertz: "CONF:FREQ",
    capacitance: "CONF:CAP",
  },
};
