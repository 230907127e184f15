import { attributeAll, loadDemo, migrate, openServices, placeDemoFeeds } from "@/wiring";

/** Brings the database up to date and fills an empty shelf with the demo. Run by `npm start` and by the tests. */
const services = openServices(process.env);
const applied = await migrate(services.sequelize);
const books = await loadDemo(services);
await attributeAll(services);
const simulatorPort = Number(process.env.DUSTY_LEDGER_SIMULATOR_PORT ?? 0);
if (simulatorPort > 0) await placeDemoFeeds(services, simulatorPort);
console.log(
  `Database ready${applied.length > 0 ? `, ${applied.length} migration(s) applied` : ""}${books > 0 ? `, ${books} demo books made` : ""}.`,
);
await services.close();
