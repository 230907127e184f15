import { migrate, unmigrate } from "@/data";
import { openServices, type Services } from "@/wiring";

/** Services over the test server, on a fresh schema. */
export async function freshServices(): Promise<Services> {
  const services = openServices({ ...process.env, DUSTY_LEDGER_VAR: `${process.env.TMPDIR ?? "/tmp"}/dusty-ledger-test-${process.pid}` });
  await migrate(services.sequelize);
  await unmigrate(services.sequelize);
  await migrate(services.sequelize);
  return services;
}
