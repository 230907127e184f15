import { z } from "zod";
import { say } from "@/wording/validation";

const list = z
  .string()
  .default("")
  .transform((items) =>
    items
      .split(",")
      .map((item) => item.trim())
      .filter(Boolean),
  );

/** What the program takes from its environment. */
export const environmentSchema = z.object({
  DATABASE_URL: z.string().regex(/^postgres(ql)?:\/\//, say.databaseUrlNamesAPostgresqlServer),
  DUSTY_LEDGER_VAR: z.string().default("var"),
  /** Hosts that feeds may be fetched from, with their ports, separated by commas. */
  DUSTY_LEDGER_FEED_HOSTS: list,
  /** The address by which the house is reached from outside, where it is; without it, this machine's own. */
  PUBLIC_ORIGIN: z
    .url({ protocol: /^https?$/, error: say.publicOriginIsAnAddress })
    .nullable()
    .default(null)
    .transform((origin) => (origin === null ? null : new URL(origin))),
  /** Addresses of proxies whose word on the client is taken, separated by commas. */
  DUSTY_LEDGER_TRUSTED_PROXIES: list,
  HOST: z.string().default("127.0.0.1"),
  PORT: z.coerce.number().int().min(0).max(65_535).default(3000),
  LOG_LEVEL: z.enum(["fatal", "error", "warn", "info", "debug", "trace", "silent"]).default("info"),
});
export type Environment = z.output<typeof environmentSchema>;
