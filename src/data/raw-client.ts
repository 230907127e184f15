import type { Client } from "pg";
import type { Sequelize, Transaction } from "sequelize";

interface ConnectionManager {
  getConnection(options: { type: "read" | "write" }): Promise<Client>;
  releaseConnection(client: Client): void;
}

/** Lends the driver's own client of a pooled connection: for COPY and for binary results, which Sequelize does not offer. */
export async function withClient<T>(sequelize: Sequelize, work: (client: Client) => Promise<T>): Promise<T> {
  const manager = (sequelize as unknown as { connectionManager: ConnectionManager }).connectionManager;
  const client = await manager.getConnection({ type: "read" });
  try {
    return await work(client);
  } finally {
    manager.releaseConnection(client);
  }
}

/** The driver's client that a transaction runs on. */
export const clientOf = (transaction: Transaction): Client => (transaction as unknown as { connection: Client }).connection;
