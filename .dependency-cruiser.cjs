/** The direction of imports: app | jobs | cli -> wiring -> usecases -> core; client code sees core and contracts alone. */
const only = (name, from, allowed) => ({
  name,
  severity: "error",
  from: { path: from },
  to: { path: "^src/", pathNot: [from, ...allowed] },
});

const CORE = "^src/core/";
const stage = (name, later) => ({
  name: `core-${name}-comes-before`,
  severity: "error",
  from: { path: `^src/core/(${name})/`, pathNot: "\\.test\\.ts$" },
  to: { path: `^src/core/(${later.join("|")})/` },
});
const LATE = ["yield", "tilt", "examination", "reconcile", "ageing", "causes", "parts", "trial", "money"];

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
    stage("yield", ["tilt", "examination", "reconcile", "ageing", "causes", "parts", "trial", "money"]),
    stage("tilt", ["examination", "reconcile", "ageing", "causes", "parts", "trial", "money"]),
    stage("examination", ["reconcile", "ageing", "causes", "parts", "trial", "money"]),
    stage("reconcile", ["ageing", "causes", "parts", "trial", "money"]),
    stage("ageing", ["causes", "parts", "trial", "money"]),
    stage("causes", ["parts", "trial", "money"]),
    stage("parts", ["trial", "money"]),
    stage("trial", ["money"]),
    only("contracts-see-core", "^src/contracts/", [CORE]),
    only("formats-see-core-and-contracts", "^src/formats/", [CORE, "^src/contracts/"]),
    only("usecases-know-no-framework", "^src/usecases/", [CORE, "^src/contracts/", "^src/formats/"]),
    {
      name: "usecases-know-no-database",
      severity: "error",
      from: { path: "^src/usecases/" },
      to: { path: "node_modules/(next|react|sequelize|pg|@mantine)/" },
    },
    only("data-implements-ports", "^src/data/", [CORE, "^src/contracts/", "^src/formats/", "^src/usecases/"]),
    only("standins-stand-alone", "^src/standins/", [CORE, "^src/contracts/", "^src/formats/"]),
    only("charts-see-core", "^src/charts/", [CORE, "^src/contracts/"]),
    only("features-see-core-contracts-charts", "^src/features/", [CORE, "^src/contracts/", "^src/charts/"]),
    only("wiring-puts-together", "^src/wiring/", [CORE, "^src/contracts/", "^src/usecases/", "^src/data/", "^src/standins/"]),
    only("jobs-use-usecases", "^src/jobs/", [CORE, "^src/contracts/", "^src/usecases/", "^src/wiring/"]),
    only("cli-uses-usecases", "^src/cli/", [CORE, "^src/contracts/", "^src/formats/", "^src/usecases/"]),
    {
      name: "only-wiring-sees-data",
      severity: "error",
      from: { path: "^src/", pathNot: "^src/(wiring|data|standins)/" },
      to: { path: "^src/(data|standins)/" },
    },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "\\.test\\.ts$" },
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
  },
};
