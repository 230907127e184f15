/** The direction of imports: app | jobs | cli -> wiring -> usecases -> core; client code sees core and contracts alone. */
const only = (name, from, allowed) => ({
  name,
  severity: "error",
  from: { path: from },
  to: { path: "^(src|simulators)/", pathNot: [from, ...allowed] },
});

const CORE = "^src/core/";
const WORDING = "^src/wording/";
/** Sentences of schemas and of tables, which say what is wrong where it is found. */
const SENTENCES_AT_EDGES = "^src/wording/(catalogue|validation|tables|limits)\\.ts$";
const stage = (name, later) => ({
  name: `core-${name}-comes-before`,
  severity: "error",
  from: { path: `^src/core/(${name})/`, pathNot: "\\.test\\.ts$" },
  to: { path: `^src/core/(${later.join("|")})/` },
});
const LATE = ["yield", "tilt", "quality", "ledger", "ageing", "attribution", "trial", "money"];

module.exports = {
  forbidden: [
    { name: "no-circles", severity: "error", from: {}, to: { circular: true } },
    only("core-is-pure", CORE, []),
    {
      name: "core-has-no-framework",
      severity: "error",
      from: { path: CORE, pathNot: "\\.test\\.ts$" },
      to: { path: "node_modules/(react|next|sequelize|pg|zod|d3|@mantine)|^(fs|node:fs|path|http|net|child_process)" },
    },
    stage(
      "statistics|units|time|series|site|weather|sun|irradiance|module|inverter|snow|soiling|shading|electrical|geometry|readings",
      LATE,
    ),
    stage("yield", ["tilt", "quality", "ledger", "ageing", "attribution", "trial", "money"]),
    stage("tilt", ["quality", "ledger", "ageing", "attribution", "trial", "money"]),
    stage("quality", ["ledger", "ageing", "attribution", "trial", "money"]),
    stage("ledger", ["ageing", "attribution", "trial", "money"]),
    stage("ageing", ["attribution", "trial", "money"]),
    stage("attribution", ["trial", "money"]),
    stage("trial", ["money"]),
    only("contracts-see-core", "^src/contracts/", [CORE, SENTENCES_AT_EDGES]),
    only("wording-sees-core-and-contracts", WORDING, [CORE, "^src/contracts/"]),
    only("formats-see-core-and-contracts", "^src/formats/", [CORE, "^src/contracts/", SENTENCES_AT_EDGES]),
    only("usecases-know-no-framework", "^src/usecases/", [CORE, "^src/contracts/", "^src/formats/"]),
    {
      name: "usecases-know-no-database",
      severity: "error",
      from: { path: "^src/usecases/" },
      to: { path: "node_modules/(next|react|sequelize|pg|@mantine)/" },
    },
    only("data-implements-ports", "^src/data/", [CORE, "^src/contracts/", "^src/formats/", "^src/usecases/"]),
    only("simulators-stand-alone", "^simulators/", [CORE, "^src/contracts/", "^src/formats/"]),
    only("charts-see-core", "^src/charts/", [CORE, "^src/contracts/", WORDING]),
    only("features-see-core-contracts-wording-charts", "^src/features/", [CORE, "^src/contracts/", WORDING, "^src/charts/"]),
    only("wiring-puts-together", "^src/wiring/", [
      CORE,
      "^src/contracts/",
      "^src/formats/",
      "^src/usecases/",
      "^src/data/",
      "^simulators/",
    ]),
    only("server-stands-before-pages", "^src/server/", ["^src/contracts/", WORDING, "^src/wiring/"]),
    only("threads-use-usecases", "^src/(reckoner|reader)/", [CORE, "^src/contracts/", "^src/usecases/", "^src/wiring/"]),
    only("jobs-use-usecases", "^src/jobs/", [CORE, "^src/contracts/", "^src/usecases/", "^src/wiring/"]),
    only("cli-uses-usecases", "^src/cli/", [CORE, "^src/contracts/", WORDING, "^src/formats/", "^src/usecases/"]),
    {
      name: "only-wiring-sees-data",
      severity: "error",
      from: { path: "^src/", pathNot: "^src/(wiring|data)/" },
      to: { path: "^(src/data|simulators)/" },
    },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "\\.test\\.ts$" },
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
  },
};
