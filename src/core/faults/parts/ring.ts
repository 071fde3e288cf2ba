import { t } from "../../words/words";
import { stands, dust, wheel } from "../repair-words";
import { RARELY, type PartDefinition } from "./part";

/** Toothed ring or encoder. */
export const ring = {
  id: "ring",
  label: () => t`tone ring or encoder`,
  prior: 0.22,
  cost: 330,
  habit: 3,
  act: "fit-ring",
  wakes: RARELY,
  repair: {
    get title() {
      return t`Replace the tone ring, or the bearing that carries the encoder`;
    },
    get steps() {
      return [
        t`Wheel, brake and hub off as the maker describes.`,
        t`Toothed ring: take the old one off, clean the shoulder to bright metal, warm the new one and set it square.`,
        t`Encoder in the bearing: fit a new bearing, encoder face toward the sensor, pressed into the knuckle by its outer ring, then the hub into it with the inner ring supported.`,
        t`Turn once: even all round, nothing touches the sensor.`,
        wheel(),
      ];
    },
    get newPart() {
      return [
        t`Count of teeth or poles as the old one should have had.`,
        t`Encoder: whole stripes under the viewing film, and which face they are on.`,
        t`Never drop it, keep it off magnets.`,
      ];
    },
    get cautions() {
      return [stands(), t`Eye protection.`, dust()];
    },
    get torques() {
      return [t`hub nut`, t`caliper carrier`, t`wheel nuts`];
    },
    partsCost: 130,
    labourMin: 150,
  },
} as const satisfies PartDefinition;
