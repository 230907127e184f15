import { Sequelize } from "sequelize";

/** A request that can't have a connection in this time is told so, rather than kept. */
const MOST_WAIT_FOR_CONNECTION_MS = 8000;

/** A change that waits longer than this for another one of the same book is told so. An import of thirty years of five minutes is stored in five seconds. */
const MOST_WAIT_FOR_CHANGE_MS = 10_000;
/** A change that says nothing for this long is let go, so that what it holds is free: its process hangs, or is gone without a word. */
const MOST_SILENCE_MS = 120_000;

/** One pooled connection to a PostgreSQL server. Faults leave it without the statement and its values, which are people's data. */
export function connect(url: string, { most = 8 }: { most?: number } = {}): Sequelize {
  const sequelize = new Sequelize(url, {
    dialect: "postgres",
    logging: false,
    pool: { max: most, idle: 10_000, acquire: MOST_WAIT_FOR_CONNECTION_MS },
    define: { underscored: true, timestamps: false },
    dialectOptions: {
      connectionTimeoutMillis: 5000,
      application_name: "dusty-ledger",
      lock_timeout: MOST_WAIT_FOR_CHANGE_MS,
      idle_in_transaction_session_timeout: MOST_SILENCE_MS,
    },
  });
  const ask = sequelize.query.bind(sequelize) as (...args: unknown[]) => Promise<unknown>;
  sequelize.query = ((...args: unknown[]) =>
    ask(...args).catch((error: unknown) => {
      throw withoutValues(error);
    })) as typeof sequelize.query;
  return sequelize;
}

const TELLS_VALUES = ["sql", "parameters", "detail", "where", "fields", "internalQuery"];

/** Takes the statement and the values out of a fault, and out of those that it came from. */
export function withoutValues(error: unknown): unknown {
  for (let at = error; typeof at === "object" && at !== null; at = (at as { parent?: unknown }).parent) {
    const fault = at as Record<string, unknown>;
    for (const name of TELLS_VALUES) if (name in fault) delete fault[name];
    if (fault.original !== fault.parent) withoutValues(fault.original);
  }
  return error;
}
