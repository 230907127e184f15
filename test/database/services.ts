import { migrate, unmigrate } from "@/data";
import type { Book } from "@/usecases/books";
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

/** Every book on the shelf. */
export async function allBooks({ books }: Services): Promise<Book[]> {
  const found = [];
  for (const { slug } of await books.spines()) found.push((await books.bySlug(slug))!);
  return found;
}

/** Takes every book off the shelf, and what chores remember of them. */
export async function emptyShelf(services: Services): Promise<void> {
  for (const { slug } of await services.books.spines()) await services.books.remove((await services.books.find(slug))!.id);
  await services.sequelize.query("delete from vital_signs");
}
