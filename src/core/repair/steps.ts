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

const STANDS = "Rated stands on firm level ground, wheels chocked. Never under a jack alone.";
const DUST = "Brake dust: no dry blowing. Brake cleaner attacks plastic and rubber; electronics cleaner does not.";
const WHEEL = "Wheel nuts by hand, then crosswise to the maker's torque, again after the first drive.";
const BATTERY = "Memory and radio codes first, then battery negative off.";

/** Plans by fault where one exists, else by part. Costs and minutes are typical of the trade, estimates. */
const BY_FAULT: Record<string, RepairPlan> = {
  "mounting-gap": {
    title: "Clean the seat and set the sensor down",
    steps: [
      "Wheel off. Brush and scrape the rust scale from under the sensor's foot and out of its bore.",
      "Clean the sensor's face. Anti-corrosion film in the bore, none on the face.",
      "Seat the sensor flat; screw home without force: a plastic body breaks before the screw gives.",
      "Measure the gap again where it can be reached.",
    ],
    newPart: [],
    cautions: [STANDS, DUST, "Pry gently at the metal, never at the plastic. Seat the bit fully in a rusted screw."],
    torques: ["sensor screw", "wheel nuts"],
    partsCost: 8,
    labourMin: 40,
  },
  "encoder-reversed": {
    title: "Fit the bearing the right way round",
    steps: [
      "Press out the bearing; do not use it again.",
      "Fit a new one with its encoder face toward the sensor; press on the outer ring only.",
      "Turn it under the viewing film once more before the hub goes in.",
    ],
    newPart: ["Viewing film on both faces: the striped one is the encoder.", "Never drop it, keep it off magnets."],
    cautions: [STANDS, "Eye protection at the press."],
    torques: ["hub nut", "caliper carrier", "wheel nuts"],
    partsCost: 110,
    labourMin: 120,
  },
  "battery-low": {
    title: "Charge or replace the battery",
    steps: [
      "Charge with a maintainer, then test under load.",
      "Replace if it does not hold.",
      "Check the charging voltage.",
    ],
    newPart: ["Type and size as the car calls for."],
    cautions: ["No sparks near a charging battery."],
    torques: ["terminal clamps"],
    partsCost: 120,
    labourMin: 30,
  },
  "corners-swapped": {
    title: "Change the plugs back",
    steps: [
      "Trace both wires to their corners.",
      "Change the plugs over and mark them.",
      "Turn each wheel alone and see the right corner answer.",
    ],
    newPart: [],
    cautions: [STANDS],
    torques: [],
    partsCost: 0,
    labourMin: 20,
  },
  "ring-debris": {
    title: "Clean the ring",
    steps: [
      "Wheel off, sensor out if it comes easily.",
      "Clean the ring all round with a soft brush; pick packed rust out of every gap.",
      "Look at each tooth while turning once.",
    ],
    newPart: [],
    cautions: [STANDS, DUST],
    torques: ["sensor screw", "wheel nuts"],
    partsCost: 0,
    labourMin: 45,
  },
};

const BY_PART: Record<Part, RepairPlan> = {
  sensor: {
    title: "Replace the sensor",
    steps: [
      "Wheel off. Unclip the lead and unplug it.",
      "Clean round the sensor before it comes out; soak a seized one and twist, do not pull at the lead.",
      "Clean the bore and the seat. Anti-corrosion film in the bore.",
      "Fit the new sensor flat and clip its lead exactly as the old one lay, with slack for full lock and travel.",
      WHEEL,
    ],
    newPart: [
      "Same family, plug and lead length.",
      "Plug clean, seal there, terminals straight.",
      "A new sensor that is dead is unlikely but has happened: measure it before blaming anything else.",
    ],
    cautions: [STANDS, DUST, "A seized sensor can break on its way out: say so in the quote."],
    torques: ["sensor screw", "wheel nuts"],
    partsCost: 70,
    labourMin: 75,
  },
  mounting: {
    title: "Seat the sensor",
    steps: [
      "Wheel off. Clean seat and bore.",
      "Seat the sensor flat and firm; a worn bracket or clip is replaced.",
      WHEEL,
    ],
    newPart: [],
    cautions: [STANDS, DUST],
    torques: ["sensor screw", "wheel nuts"],
    partsCost: 10,
    labourMin: 40,
  },
  ring: {
    title: "Replace the tone ring, or the bearing that carries the encoder",
    steps: [
      "Wheel, brake and hub off as the maker describes.",
      "Toothed ring: take the old one off, clean the shoulder to bright metal, warm the new one and set it square.",
      "Encoder in the bearing: fit a new bearing, encoder face toward the sensor, pressed on the outer ring only.",
      "Turn once: even all round, nothing touches the sensor.",
      WHEEL,
    ],
    newPart: [
      "Count of teeth or poles as the old one should have had.",
      "Encoder: whole stripes under the viewing film, and which face they are on.",
      "Never drop it, keep it off magnets.",
    ],
    cautions: [STANDS, "Eye protection.", DUST],
    torques: ["hub nut", "caliper carrier", "wheel nuts"],
    partsCost: 130,
    labourMin: 150,
  },
  bearing: {
    title: "Replace the wheel bearing",
    steps: [
      "Hub out as the maker describes.",
      "New bearing, encoder face toward the sensor where it has one.",
      "No play, turns freely, nothing touches the sensor.",
      WHEEL,
    ],
    newPart: ["Encoder side under the viewing film.", "Count of poles as listed."],
    cautions: [STANDS, "A bearing with play can let the wheel go: the car is not driven until it is done."],
    torques: ["hub nut", "caliper carrier", "wheel nuts"],
    partsCost: 110,
    labourMin: 150,
  },
  harness: {
    title: "Mend the wire",
    steps: [
      BATTERY,
      "Cut back to bright copper both ways; black strands go too.",
      "New wire of the same size, sealed heat-shrink joints, neighbours' joints set apart, the pair's twist kept.",
      "Re-sleeve and clip clear of exhaust, springs and edges, with slack for full travel.",
      "Measure end to end, to ground and under a lamp again.",
    ],
    newPart: [],
    cautions: ["Eye protection when cutting.", "Airbag and orange cables are not for this job."],
    torques: [],
    partsCost: 15,
    labourMin: 90,
  },
  connector: {
    title: "Mend the connector",
    steps: [
      BATTERY,
      "Dry and clean it; bring spread terminals to tension, replace corroded ones or fit a pigtail.",
      "Seals and latch whole; a cable tie is no latch.",
      "Tug each wire, plug together until it clicks.",
    ],
    newPart: ["Terminals of the same size and plating.", "Seals there."],
    cautions: ["Electronics cleaner only."],
    torques: [],
    partsCost: 25,
    labourMin: 60,
  },
  "module-feed": {
    title: "Mend the module's feed or ground",
    steps: [
      "Fuse, fuse holder and link under load.",
      "Ground point to bright metal, screwed home, protected.",
      "Volts at the module's own pins under load again.",
    ],
    newPart: [],
    cautions: [BATTERY],
    torques: ["ground point"],
    partsCost: 15,
    labourMin: 75,
  },
  module: {
    title: "Replace or repair the module",
    steps: [
      "Once more: its own supplies and grounds under load, and the corner's wires and sensor, are proven good.",
      "Follow the maker's procedure for changing, coding and bleeding.",
    ],
    newPart: ["Part number and coding for this car."],
    cautions: ["Brake hydraulics: local law may reserve this to licensed people.", BATTERY],
    torques: ["brake lines", "module bracket"],
    partsCost: 650,
    labourMin: 180,
  },
  tyre: {
    title: "Fit like tyres",
    steps: [
      "Same size and like wear on the axle, pressures as the plate says.",
      "Reset what the maker says must be reset.",
      WHEEL,
    ],
    newPart: ["Size on the side wall."],
    cautions: [STANDS],
    torques: ["wheel nuts"],
    partsCost: 90,
    labourMin: 25,
  },
  none: {
    title: "Nothing to repair at this corner",
    steps: [
      "Clear the codes, drive, and see whether they come back.",
      "Look at the other corners, and at what the code really says.",
    ],
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
