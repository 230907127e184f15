import { migrate, unmigrate } from "@/data";
import { openServices, type Services } from "@/wiring";

/** Services over the test server, on a fresh schema. */
export async function freshServices(): Promise<Services> {
  const folder = `${process.env.TMPDIR ?? "/tmp"}/dusty-ledger-test-${process.pid}`;
  const services = openServices({ ...process.env, DUSTY_LEDGER_VAR: folder }, { mayMigrate: true });
  await migrate(services.sequelize);
  await unmigrate(services.sequelize);
  await migrate(services.sequelize);
  await services.queue.migrate();
  return services;
}
