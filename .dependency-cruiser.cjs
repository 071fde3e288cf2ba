/**
 * The layer rule of the house: core <- workers, store, instruments, cli, demo <- ui <- app.
 * Inside core the folders below may only import those listed before them.
 */
const coreOrder = [
  "words",
  "random",
  "units",
  "tyre",
  "codes",
  "circuit",
  "ring",
  "faults",
  "car",
  "checks",
  "complaint",
  "observation",
  "belief",
  "verdict",
  "repair",
  "planning",
  "capture",
  "waveform",
  "scanlog",
  "family",
  "harness",
  "job",
  "job-file",
  "replay",
  "board",
  "bench",
  "library",
  "shared-folder",
  "simulated",
  "report",
  "settings",
  "practice",
  "reckoner",
  "explain",
];

const coreRules = coreOrder.map((folder, at) => ({
  name: `core-${folder}-looks-only-up-the-list`,
  severity: "error",
  from: { path: `^src/core/${folder}/`, pathNot: "[.]test[.]ts$" },
  to: { path: `^src/core/(${coreOrder.slice(at + 1).join("|") || "nothing-after"})/` },
}));

module.exports = {
  forbidden: [
    { name: "no-circles", severity: "error", from: {}, to: { circular: true } },
    {
      name: "core-is-pure",
      severity: "error",
      from: { path: "^src/core/", pathNot: "[.]test[.]ts$" },
      to: {
        path: "^src/(app|ui|workers|store|instruments|cli|demo)/|^node_modules/(react|next|localforage|comlink|echarts)",
      },
    },
    {
      name: "workers-store-cli-do-not-see-faces",
      severity: "error",
      from: { path: "^src/(workers|store|instruments|cli|demo)/" },
      to: { path: "^src/(ui|app)/" },
    },
    { name: "ui-does-not-see-app", severity: "error", from: { path: "^src/ui/" }, to: { path: "^src/app/" } },
    {
      name: "no-orphans",
      severity: "error",
      from: {
        orphan: true,
        path: "^src/",
        pathNot: "([.]d[.]ts|[.]test[.]ts|^src/app/.*|^src/cli/.*|^src/proxy[.]ts)$",
      },
      to: {},
    },
    {
      name: "outside-worlds-share-no-code-with-our-own",
      severity: "error",
      from: { path: "^bench/outside/", pathNot: "^bench/outside/(waves|cars|confidence|drives)[.]ts$" },
      to: { path: "^src/core/(circuit|car|ring|faults|waveform|simulated)/" },
    },
    ...coreRules,
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
    exclude: { path: "^(\\.next|node_modules)" },
  },
};
