import type { Sequelize } from "sequelize";
import { SequelizeStorage, Umzug } from "umzug";
import { booksAndPages } from "./migrations/0001-books-and-pages";
import { variants } from "./migrations/0002-variants";
import { sparseAndDecisions } from "./migrations/0003-readings";
import { feeds } from "./migrations/0004-feeds";
import { causes } from "./migrations/0005-causes";
import { bills } from "./migrations/0006-bills";
import { fieldBook } from "./migrations/0007-field-book";
import { secondEdition } from "./migrations/0008-second-edition";
import { nothingBringsItDown } from "./migrations/0009-nothing-brings-it-down";
import { referenceOfTheTimeRead } from "./migrations/0010-reference-of-the-time-read";
import { oneAccount } from "./migrations/0011-one-account";
import { siteAsWritten } from "./migrations/0012-site-as-written";
import { originOfLight } from "./migrations/0013-origin-of-light";
import { moduleTemperature } from "./migrations/0014-module-temperature";
import { singleModules } from "./migrations/0015-single-modules";
import { keptTests } from "./migrations/0016-kept-tests";

const migrator = (sequelize: Sequelize) =>
  new Umzug({
    migrations: [
      booksAndPages,
      variants,
      sparseAndDecisions,
      feeds,
      causes,
      bills,
      fieldBook,
      secondEdition,
      nothingBringsItDown,
      referenceOfTheTimeRead,
      oneAccount,
      siteAsWritten,
      originOfLight,
      moduleTemperature,
      singleModules,
      keptTests,
    ],
    context: sequelize,
    storage: new SequelizeStorage({ sequelize, tableName: "migrations" }),
    logger: undefined,
  });

/** Brings the database to the newest schema; returns the names of what was applied. */
export async function migrate(sequelize: Sequelize): Promise<string[]> {
  return (await migrator(sequelize).up()).map((migration) => migration.name);
}

/** Names of migrations that the database still lacks. */
export async function pendingMigrations(sequelize: Sequelize): Promise<string[]> {
  return (await migrator(sequelize).pending()).map((migration) => migration.name);
}

/** Takes every migration back. For tests. */
export async function unmigrate(sequelize: Sequelize): Promise<void> {
  await migrator(sequelize).down({ to: 0 });
}
