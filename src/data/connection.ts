import { Sequelize } from "sequelize";

/** One pooled connection to a PostgreSQL server. */
export function connect(url: string): Sequelize {
  return new Sequelize(url, {
    dialect: "postgres",
    logging: false,
    pool: { max: 8, idle: 10_000 },
    define: { underscored: true, timestamps: false },
  });
}
