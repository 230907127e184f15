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

/** The database went away in the middle of a transfer. */
export class ConnectionLost extends Error {
  override readonly name = "ConnectionLost";
}

/** Runs a COPY that fails when its connection ends: the driver tells its own queries of that, but not a stream, which would wait for ever. */
export async function endingWith<T>(client: Client, work: () => Promise<T>): Promise<T> {
  let lost = (): void => {};
  const ended = new Promise<never>((_, reject) => {
    lost = () => reject(new ConnectionLost("The connection to the database ended in the middle of a transfer."));
  });
  client.once("end", lost);
  client.once("error", lost);
  const working = work();
  working.catch(() => {});
  try {
    return await Promise.race([working, ended]);
  } finally {
    client.off("end", lost);
    client.off("error", lost);
  }
}
