import * as z from "zod/mini";
import { dialectSchema, usualDialect } from "@/instruments/meter/dialect";
import { keepText, keptJson } from "./small-texts";

const KEY = "tastatura-meter";

const meterSetupSchema = z.object({
  kind: z._default(z.enum(["scpi", "lines"]), "scpi"),
  dialect: z._default(dialectSchema, usualDialect),
  /** How the lines of a meter that takes no orders are read. */
  pattern: z._default(z.string().check(z.maxLength(120)), "{value} {unit}"),
  lineBaud: z._default(z.number().check(z.int(), z.gte(300), z.lte(2_000_000)), 2400),
});
export type MeterSetup = z.infer<typeof meterSetupSchema>;

/** How a meter was joined last on this machine; the usual set-up where nothing was kept. */
export function keptMeterSetup(): MeterSetup {
  const parsed = meterSetupSchema.safeParse(keptJson(KEY) ?? {});
  return parsed.success ? parsed.data : meterSetupSchema.parse({});
}

/** @returns false where it will be gone once the page closes */
export function keepMeterSetup(setup: MeterSetup): boolean {
  return keepText(KEY, JSON.stringify(setup));
}
