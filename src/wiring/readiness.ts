import { statfs } from "node:fs/promises";
import { pendingMigrations } from "@/data";
import type { Stores } from "./stores";

/** Whether the house can do its work, and each thing that it needs for it: "fine", or what is wrong. */
export interface Readiness {
  readonly ok: boolean;
  readonly parts: Readonly<Record<"database" | "schema" | "queue" | "worker" | "disk", string>>;
}

/** A worker that was not seen for this long is gone. */
const WORKER_SILENT_MS = 60_000;
/** Less room than this, and an upload may not fit. */
const LEAST_FREE_BYTES = 200_000_000;
/** A part that does not answer in this time does not answer. */
const PATIENCE_MS = 2000;

/** Asks each thing that the house needs. Raw SQL: the smallest questions that there are. */
export async function readinessOf({ sequelize, vitalSigns, folder }: Stores): Promise<Readiness> {
  const parts = {
    database: await part(async () => void (await sequelize.query("select 1"))),
    schema: await part(async () => {
      const pending = await pendingMigrations(sequelize);
      if (pending.length > 0) throw new Error(`lacks ${pending.join(", ")}`);
    }),
    queue: await part(async () => void (await sequelize.query("select version from pgboss.version"))),
    worker: await part(async () => {
      const sign = await vitalSigns.of("worker");
      if (!sign) throw new Error("was never seen");
      const silentMs = Date.now() - sign.seenAt.getTime();
      if (silentMs > WORKER_SILENT_MS) throw new Error(`was not seen for ${Math.round(silentMs / 1000)} s`);
    }),
    disk: await part(async () => {
      const { bavail, bsize } = await statfs(folder);
      if (bavail * bsize < LEAST_FREE_BYTES) throw new Error(`${Math.round((bavail * bsize) / 1e6)} MB are left`);
    }),
  };
  return { ok: Object.values(parts).every((state) => state === "fine"), parts };
}

async function part(ask: () => Promise<void>): Promise<string> {
  const late = new Promise<never>((_, reject) => setTimeout(() => reject(new Error("does not answer")), PATIENCE_MS).unref());
  return Promise.race([ask(), late]).then(
    () => "fine",
    (error: unknown) => (error instanceof Error ? error.message : String(error)),
  );
}
