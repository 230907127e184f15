import { attributeAll, finishDemo, migrate, openServices, placeDemoFeeds } from "@/wiring";

/** Steps in their order; all of them where none is named. The schema is the migrator's affair, the others are the app's. */
const STEPS = ["schema", "demo", "causes"];
const named = process.argv.slice(2);
const wanted = named.length > 0 ? named : STEPS;
const services = openServices(process.env, { mayMigrate: wanted.includes("schema") });
if (wanted.includes("schema")) {
  const applied = await migrate(services.sequelize);
  await services.queue.migrate();
  console.log(`Database ready${applied.length > 0 ? `, ${applied.length} migration(s) applied` : ""}.`);
}
if (wanted.includes("demo")) {
  const books = await finishDemo(services);
  const ports = (process.env.DUSTY_LEDGER_SIMULATOR_PORTS ?? "").split(",").map(Number).filter(Boolean);
  if (ports.length > 0) await placeDemoFeeds(services, ports);
  if (books > 0) console.log(`${books} demo books made.`);
}
if (wanted.includes("causes")) await attributeAll(services);
await services.close();
