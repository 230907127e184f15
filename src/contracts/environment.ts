import { z } from "zod";
import { say } from "@/wording/validation";

/** What the program takes from its environment. */
export const environmentSchema = z.object({
  DATABASE_URL: z.string().regex(/^postgres(ql)?:\/\//, say.databaseUrlNamesAPostgresqlServer),
  DUSTY_LEDGER_VAR: z.string().default("var"),
  /** Hosts that feeds may be fetched from, with their ports, separated by commas. */
  DUSTY_LEDGER_FEED_HOSTS: z
    .string()
    .default("")
    .transform((hosts) =>
      hosts
        .split(",")
        .map((host) => host.trim())
        .filter(Boolean),
    ),
  LOG_LEVEL: z.enum(["fatal", "error", "warn", "info", "debug", "trace", "silent"]).default("info"),
});
export type Environment = z.output<typeof environmentSchema>;
