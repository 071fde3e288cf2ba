import type { CornerSetup } from "../core/circuit/setup";
import type { Complaint } from "../core/complaint/complaint";
import type { Corner } from "../core/units/corner";

export interface DemoCar {
  id: string;
  name: string;
  plate: string;
  hoursAgo: number;
  setup: Partial<CornerSetup>;
  path: CornerSetup["path"];
  complaint: Partial<Complaint>;
  fault: string;
  seed: number;
  intermittent?: boolean;
  /** How many readings were taken already, by the plan's own choice. */
  readings: number;
  capture: "logged" | "to-drop" | null;
  /** A drive logged with the scan tool. */
  drive?: "logged" | "to-drop";
  spin: { fromKmh: number; toKmh: number };
  /** Another corner in work, of the same fault and the same car, and how many readings were taken there. */
  beside?: { corner: Corner; readings: number };
}

export const MINIBUS_PATH: CornerSetup["path"] = [
  { station: "module", accessMin: 35, landmark: "under the battery tray" },
  { spanM: 1.4, mm2: 0.5, landmark: "battery tray" },
  { station: "c1", accessMin: 4, landmark: "inner sill" },
  { spanM: 3.2, mm2: 0.5, landmark: "frame rail top", exposure: 2 },
  { station: "plug", accessMin: 7, landmark: "rear arch" },
];
const SHORT_PATH: CornerSetup["path"] = [
  { station: "module", accessMin: 30 },
  { spanM: 1.1, mm2: 0.5, landmark: "bulkhead" },
  { station: "c1", accessMin: 3, landmark: "strut tower" },
  { spanM: 0.9, mm2: 0.5, landmark: "front arch", exposure: 2 },
  { station: "plug", accessMin: 6 },
];

/** The night workshop of an invented island transport co-operative. */
export const demoCars: readonly DemoCar[] = [
  {
    id: "demo-pelican",
    name: "Tarnwick Pelican 14",
    plate: "fleet 14",
    hoursAgo: 1,
    setup: { corner: "RR", family: "active-2wire" },
    path: MINIBUS_PATH,
    complaint: { codes: ["C003C-39"], symptoms: ["lamp"], recentWork: ["bearing"] },
    fault: "ring-missing@ring",
    seed: 14,
    readings: 2,
    capture: "to-drop",
    spin: { fromKmh: 9, toKmh: 3 },
  },
  {
    id: "demo-drover",
    name: "Osmund Drover 09",
    plate: "fleet 09",
    hoursAgo: 5,
    setup: { corner: "FL", family: "passive", pulsesPerRevolution: 44, tyre: "235/75R15" },
    path: SHORT_PATH,
    complaint: { codes: ["C0031-21"], symptoms: ["false-abs-low-speed", "pulls-under-braking"] },
    fault: "mounting-gap@mounting",
    seed: 9,
    readings: 1,
    capture: "logged",
    spin: { fromKmh: 10, toKmh: 6 },
  },
  {
    id: "demo-skua",
    name: "Elverby Skua 03",
    plate: "fleet 03",
    hoursAgo: 26,
    setup: { corner: "RL", family: "active-2wire" },
    path: MINIBUS_PATH,
    complaint: { codes: ["C0037-13"], symptoms: ["lamp"] },
    fault: "wire-open@span2.supply",
    seed: 3,
    readings: 6,
    capture: null,
    spin: { fromKmh: 8, toKmh: 4 },
  },
  {
    id: "demo-teal",
    name: "Halmer Teal 21",
    plate: "fleet 21",
    hoursAgo: 49,
    setup: { corner: "FR", family: "active-3wire", supplyV: 8 },
    path: SHORT_PATH,
    complaint: { codes: ["C0034-31"], symptoms: ["lamp", "when-wet"] },
    fault: "terminal-open@plug.ground",
    seed: 21,
    readings: 0,
    capture: null,
    spin: { fromKmh: 8, toKmh: 4 },
  },
  {
    id: "demo-heron",
    name: "Brandeck Heron 30",
    plate: "fleet 30",
    hoursAgo: 3,
    setup: { corner: "FL", family: "active-2wire", pulsesPerRevolution: 46 },
    path: SHORT_PATH,
    complaint: { codes: ["C0033-38"], symptoms: ["lamp"] },
    fault: "ring-cracked@ring-crack",
    seed: 30,
    readings: 1,
    capture: "logged",
    drive: "to-drop",
    spin: { fromKmh: 9, toKmh: 3 },
  },
  {
    id: "demo-plover",
    name: "Sallow Plover 11",
    plate: "fleet 11",
    hoursAgo: 7,
    setup: { corner: "RR", family: "active-2wire" },
    path: MINIBUS_PATH,
    complaint: {
      presence: "intermittent",
      codes: ["C003A-1F"],
      symptoms: ["lamp", "after-bumps"],
      note: "Lamp for some minutes after the quay road, then out again.",
    },
    fault: "terminal-open@c1.supply",
    seed: 11,
    intermittent: true,
    readings: 2,
    capture: "logged",
    spin: { fromKmh: 8, toKmh: 4 },
  },
  {
    id: "demo-gannet",
    name: "Orrin Gannet 17",
    plate: "fleet 17",
    hoursAgo: 30,
    setup: { corner: "FR", family: "active-2wire", sense: "high" },
    path: SHORT_PATH,
    complaint: { presence: "intermittent", codes: ["C0034-2F"], symptoms: ["lamp", "when-wet"] },
    fault: "water-bridge@plug",
    seed: 17,
    intermittent: true,
    readings: 3,
    capture: null,
    drive: "logged",
    spin: { fromKmh: 8, toKmh: 4 },
  },
  {
    id: "demo-wren",
    name: "Dunmere Wren 02",
    plate: "fleet 02",
    hoursAgo: 52,
    setup: { corner: "RL", family: "active-2wire" },
    path: SHORT_PATH,
    complaint: { codes: ["C0037-62"], symptoms: ["lamp"], recentWork: ["tyres"] },
    fault: "tyre-size@tyre",
    seed: 2,
    readings: 3,
    capture: null,
    drive: "logged",
    spin: { fromKmh: 8, toKmh: 4 },
  },
  {
    id: "demo-dunlin",
    name: "Vastrel Dunlin 25",
    plate: "fleet 25",
    hoursAgo: 54,
    setup: { corner: "FL", family: "active-2wire" },
    path: SHORT_PATH,
    complaint: { codes: ["C0032-16", "C0035-16", "C0038-16"], symptoms: ["lamp"] },
    fault: "shared-supply@shared-supply",
    seed: 25,
    readings: 3,
    capture: null,
    drive: "to-drop",
    spin: { fromKmh: 8, toKmh: 4 },
  },
  {
    id: "demo-siskin",
    name: "Lorne Siskin 06",
    plate: "fleet 06",
    hoursAgo: 75,
    setup: { corner: "FR", family: "passive", pulsesPerRevolution: 44, tyre: "195/70R15" },
    path: SHORT_PATH,
    complaint: { codes: ["C0034-25"], symptoms: ["false-abs-low-speed"], recentWork: ["brakes"] },
    fault: "ring-debris@ring-debris",
    seed: 6,
    readings: 1,
    capture: "logged",
    drive: "to-drop",
    spin: { fromKmh: 10, toKmh: 6 },
  },
  {
    id: "demo-curlew",
    name: "Thessaly Curlew 19",
    plate: "fleet 19",
    hoursAgo: 98,
    setup: { corner: "RL", family: "active-2wire" },
    path: MINIBUS_PATH,
    complaint: { codes: ["C0037-31"], symptoms: ["lamp"], recentWork: ["bearing"] },
    fault: "encoder-reversed@ring-reversed",
    seed: 19,
    readings: 4,
    capture: null,
    spin: { fromKmh: 8, toKmh: 4 },
  },
  {
    id: "demo-knot",
    name: "Aldane Knot 08",
    plate: "fleet 08",
    hoursAgo: 120,
    setup: { corner: "RR", family: "active-3wire", supplyV: 5, pullUpV: 5 },
    path: SHORT_PATH,
    complaint: { codes: ["C003A-29"], note: "Code stored once, months ago; lamp never seen by the driver." },
    fault: "nothing@none",
    seed: 8,
    readings: 6,
    capture: "logged",
    spin: { fromKmh: 9, toKmh: 3 },
  },
  {
    id: "demo-fulmar",
    name: "Corrin Fulmar 33",
    plate: "fleet 33",
    hoursAgo: 3,
    setup: { corner: "FL", family: "active-2wire" },
    path: SHORT_PATH,
    complaint: {
      codes: ["C0031-01", "C0034-01"],
      symptoms: ["lamp", "functions-lost"],
      note: "Both fronts at once, since the battery was changed on the ferry.",
    },
    fault: "module-ground@module-earth",
    seed: 15,
    readings: 2,
    capture: null,
    spin: { fromKmh: 9, toKmh: 3 },
    beside: { corner: "FR", readings: 1 },
  },
];
