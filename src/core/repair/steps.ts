import { t } from "../words/words";
import { NM_PER_LBFT } from "../units/quantity";
import type { Part } from "../faults/fault";

/** How one repair is done, in working order. */
export interface RepairPlan {
  title: string;
  steps: string[];
  /** What to look at on the new part before it goes in. */
  newPart: string[];
  cautions: string[];
  /** Fastenings whose torque must be taken from the maker. */
  torques: string[];
  partsCost: number;
  labourMin: number;
}

const STANDS = () => t`Rated stands on firm level ground, wheels chocked. Never under a jack alone.`;
const DUST = () =>
  t`Brake dust: no dry blowing. Brake cleaner attacks plastic and rubber; electronics cleaner does not.`;
const WHEEL = () => t`Wheel nuts by hand, then crosswise to the maker's torque, again after the first drive.`;
const BATTERY = () => t`Memory and radio codes first, then battery negative off.`;

/** Plans by fault where one exists, else by part. Costs and minutes are typical of the trade, estimates. */
const BY_FAULT: Record<string, RepairPlan> = {
  "mounting-gap": {
    get title() {
      return t`Clean the seat and set the sensor down`;
    },
    get steps() {
      return [
        t`Wheel off. Brush and scrape the rust scale from under the sensor's foot and out of its bore.`,
        t`Clean the sensor's face. Anti-corrosion film in the bore, none on the face.`,
        t`Seat the sensor flat; screw home without force: a plastic body breaks before the screw gives.`,
        t`Measure the gap again where it can be reached.`,
      ];
    },
    newPart: [],
    get cautions() {
      return [
        STANDS(),
        DUST(),
        t`Pry gently at the metal, never at the plastic. Seat the bit fully in a rusted screw.`,
      ];
    },
    get torques() {
      return [t`sensor screw`, t`wheel nuts`];
    },
    partsCost: 8,
    labourMin: 40,
  },
  "encoder-reversed": {
    get title() {
      return t`Fit the bearing the right way round`;
    },
    get steps() {
      return [
        t`Press out the bearing; do not use it again.`,
        t`Fit a new one with its encoder face toward the sensor; pressed into the knuckle by its outer ring; then the hub into it with the inner ring supported.`,
        t`Turn it under the viewing film once more before the hub goes in.`,
      ];
    },
    get newPart() {
      return [t`Viewing film on both faces: the striped one is the encoder.`, t`Never drop it, keep it off magnets.`];
    },
    get cautions() {
      return [STANDS(), t`Eye protection at the press.`];
    },
    get torques() {
      return [t`hub nut`, t`caliper carrier`, t`wheel nuts`];
    },
    partsCost: 110,
    labourMin: 120,
  },
  "battery-low": {
    get title() {
      return t`Charge or replace the battery`;
    },
    get steps() {
      return [
        t`Charge with a charger, then test under load.`,
        t`Replace if it does not hold.`,
        t`Check the charging voltage.`,
      ];
    },
    get newPart() {
      return [t`Type and size as the car calls for.`];
    },
    get cautions() {
      return [t`No sparks near a charging battery.`];
    },
    get torques() {
      return [t`terminal clamps`];
    },
    partsCost: 120,
    labourMin: 30,
  },
  "corners-swapped": {
    get title() {
      return t`Change the plugs back`;
    },
    get steps() {
      return [
        t`Trace both wires to their corners.`,
        t`Change the plugs over and mark them.`,
        t`Turn each wheel alone and see the right corner answer.`,
      ];
    },
    newPart: [],
    cautions: [STANDS()],
    torques: [],
    partsCost: 0,
    labourMin: 20,
  },
  "ring-debris": {
    get title() {
      return t`Clean the ring`;
    },
    get steps() {
      return [
        t`Wheel off, sensor out if it comes easily.`,
        t`Clean the ring all round with a soft brush; pick packed rust out of every gap.`,
        t`Look at each tooth while turning once.`,
      ];
    },
    newPart: [],
    cautions: [STANDS(), DUST()],
    get torques() {
      return [t`sensor screw`, t`wheel nuts`];
    },
    partsCost: 0,
    labourMin: 45,
  },
};

const BY_PART: Record<Part, RepairPlan> = {
  sensor: {
    get title() {
      return t`Replace the sensor`;
    },
    get steps() {
      return [
        t`Wheel off. Unclip the lead and unplug it.`,
        t`Clean round the sensor before it comes out; soak a seized one and twist, do not pull at the lead.`,
        t`Clean the bore and the seat. Anti-corrosion film in the bore.`,
        t`Fit the new sensor flat and clip its lead exactly as the old one lay, with slack for full lock and travel.`,
        WHEEL(),
      ];
    },
    get newPart() {
      return [
        t`Same family, plug and lead length.`,
        t`Plug clean, seal there, terminals straight.`,
        t`A new sensor that is dead is unlikely but has happened: measure it before blaming anything else.`,
      ];
    },
    get cautions() {
      return [STANDS(), DUST(), t`A seized sensor can break on its way out: say so in the quote.`];
    },
    get torques() {
      return [t`sensor screw`, t`wheel nuts`];
    },
    partsCost: 70,
    labourMin: 75,
  },
  mounting: {
    get title() {
      return t`Seat the sensor`;
    },
    get steps() {
      return [
        t`Wheel off. Clean seat and bore.`,
        t`Seat the sensor flat and firm; a worn bracket or clip is replaced.`,
        WHEEL(),
      ];
    },
    newPart: [],
    cautions: [STANDS(), DUST()],
    get torques() {
      return [t`sensor screw`, t`wheel nuts`];
    },
    partsCost: 10,
    labourMin: 40,
  },
  ring: {
    get title() {
      return t`Replace the tone ring, or the bearing that carries the encoder`;
    },
    get steps() {
      return [
        t`Wheel, brake and hub off as the maker describes.`,
        t`Toothed ring: take the old one off, clean the shoulder to bright metal, warm the new one and set it square.`,
        t`Encoder in the bearing: fit a new bearing, encoder face toward the sensor, pressed into the knuckle by its outer ring, then the hub into it with the inner ring supported.`,
        t`Turn once: even all round, nothing touches the sensor.`,
        WHEEL(),
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
      return [STANDS(), t`Eye protection.`, DUST()];
    },
    get torques() {
      return [t`hub nut`, t`caliper carrier`, t`wheel nuts`];
    },
    partsCost: 130,
    labourMin: 150,
  },
  bearing: {
    get title() {
      return t`Replace the wheel bearing`;
    },
    get steps() {
      return [
        t`Hub out as the maker describes.`,
        t`New bearing, encoder face toward the sensor where it has one.`,
        t`No play, turns freely, nothing touches the sensor.`,
        WHEEL(),
      ];
    },
    get newPart() {
      return [t`Encoder side under the viewing film.`, t`Count of poles as listed.`];
    },
    get cautions() {
      return [STANDS(), t`A bearing with play can let the wheel go: the car is not driven until it is done.`];
    },
    get torques() {
      return [t`hub nut`, t`caliper carrier`, t`wheel nuts`];
    },
    partsCost: 110,
    labourMin: 150,
  },
  harness: {
    get title() {
      return t`Repair the wire`;
    },
    get steps() {
      return [
        BATTERY(),
        t`Cut back to bright copper both ways; black strands go too.`,
        t`New wire of the same size, sealed heat-shrink joints, neighbours' joints set apart, the pair's twist kept.`,
        t`Re-sleeve and clip clear of exhaust, springs and edges, with slack for full travel.`,
        t`Measure end to end, to ground and under a lamp again.`,
      ];
    },
    newPart: [],
    get cautions() {
      return [
        t`Eye protection when cutting.`,
        STANDS(),
        t`Hot air and soldering away from fuel, brake hoses and the canister.`,
        t`Airbag and orange cables are not for this job.`,
      ];
    },
    torques: [],
    partsCost: 15,
    labourMin: 90,
  },
  connector: {
    get title() {
      return t`Repair the connector`;
    },
    get steps() {
      return [
        BATTERY(),
        t`Dry and clean it; bring spread terminals to tension, replace corroded ones or fit a pigtail.`,
        t`Seals and latch whole; a cable tie is no latch.`,
        t`Tug each wire, plug together until it clicks.`,
      ];
    },
    get newPart() {
      return [t`Terminals of the same size and plating.`, t`Seals there.`];
    },
    get cautions() {
      return [t`Electronics cleaner only.`];
    },
    torques: [],
    partsCost: 25,
    labourMin: 60,
  },
  "module-feed": {
    get title() {
      return t`Repair the module's feed or ground`;
    },
    get steps() {
      return [
        t`Fuse, fuse holder and link under load.`,
        t`Ground point to bright metal, screwed home, protected.`,
        t`Volts at the module's own pins under load again.`,
      ];
    },
    newPart: [],
    cautions: [BATTERY()],
    get torques() {
      return [t`ground point`];
    },
    partsCost: 15,
    labourMin: 75,
  },
  module: {
    get title() {
      return t`Replace or repair the module`;
    },
    get steps() {
      return [
        t`Once more: its own supplies and grounds under load, and the corner's wires and sensor, are proven good.`,
        t`Follow the maker's procedure for changing, coding and bleeding.`,
      ];
    },
    get newPart() {
      return [t`Part number and coding for this car.`];
    },
    get cautions() {
      return [t`Brake hydraulics: local law may reserve this to licensed people.`, BATTERY()];
    },
    get torques() {
      return [t`brake lines`, t`module bracket`];
    },
    partsCost: 650,
    labourMin: 180,
  },
  tyre: {
    get title() {
      return t`Fit like tyres`;
    },
    get steps() {
      return [
        t`Same size and like wear on the axle, pressures as the plate says.`,
        t`Reset what the maker says must be reset.`,
        WHEEL(),
      ];
    },
    get newPart() {
      return [t`Size on the side wall.`];
    },
    cautions: [STANDS()],
    get torques() {
      return [t`wheel nuts`];
    },
    partsCost: 90,
    labourMin: 25,
  },
  none: {
    get title() {
      return t`Nothing to repair at this corner`;
    },
    get steps() {
      return [
        t`Clear the codes, drive, and see whether they come back.`,
        t`Look at the other corners, and at what the code really says.`,
      ];
    },
    newPart: [],
    cautions: [],
    torques: [],
    partsCost: 0,
    labourMin: 20,
  },
};

/** The repair for a fault. */
export function repairPlan(fault: string, part: Part): RepairPlan {
  return BY_FAULT[fault] ?? BY_PART[part];
}

/** Whether the sensor has to be drawn for the repair of a part, with the risk that it breaks. */
export function sensorComesOut(part: Part): boolean {
  return part === "sensor" || part === "mounting";
}

/** A torque the other way round, or null when it is no number. */
export function otherTorque(value: number, unit: "N·m" | "lb·ft"): number | null {
  if (!Number.isFinite(value) || value <= 0) return null;
  return unit === "N·m" ? value / NM_PER_LBFT : value * NM_PER_LBFT;
}
