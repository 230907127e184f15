import { migrate } from "@/data/migrate";
import { loadDemo, openServices, placeDemoFeeds, seekAllCauses } from "@/wiring";

/** Brings the database up to date and fills an empty shelf with the demo. Run by `npm start` and by the tests. */
const services = openServices(process.env);
const applied = await migrate(services.sequelize);
const books = await loadDemo(services);
await seekAllCauses(services);
const standinPort = Number(process.env.DUSTY_LEDGER_STANDIN_PORT ?? 0);
if (standinPort > 0) await placeDemoFeeds(services, standinPort);
console.log(
  `Database ready${applied.length > 0 ? `, ${applied.length} migration(s) applied` : ""}${books > 0 ? `, ${books} demo books made` : ""}.`,
);
await services.sequelize.close();
