import * as z from "zod/mini";
import { modelName } from "@/core/library/library";
import { wheelMapSchema, type WheelMap } from "@/core/scanlog/bus/wheel-map";
import { keepText, keptJson } from "./small-texts";

const KEY = "tastatura-bus-maps";
/** As many models as a shop meets in a while; the oldest give way. */
const MOST_KEPT = 40;

const keptSchema = z.array(z.object({ model: z.string(), map: wheelMapSchema }));

/** Where the bus of a car's model carries its wheel speeds, as it was set last on this machine. @param model name of the car */
export function keptBusMap(model: string): WheelMap | null {
  // A car without a name is of no model.
  if (model.trim() === "") return null;
  return kept().find((one) => modelName(one.model) === modelName(model))?.map ?? null;
}

/** @returns false where it will be gone once the page closes */
export function keepBusMap(model: string, map: WheelMap): boolean {
  if (model.trim() === "") return false;
  const others = kept().filter((one) => modelName(one.model) !== modelName(model));
  return keepText(KEY, JSON.stringify([{ model, map }, ...others].slice(0, MOST_KEPT)));
}

function kept(): z.infer<typeof keptSchema> {
  const parsed = keptSchema.safeParse(keptJson(KEY) ?? []);
  return parsed.success ? parsed.data : [];
}
