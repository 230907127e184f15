import { z } from "zod";
import { DAY_MS, HOUR_MS } from "@/core/units";
import type { Faults } from "./faults";

/** What a simulated logger can be asked to do wrong, from a moment on. */
export const switchesSchema = z.strictObject({
  /** Since when; earlier rows stay as they were. */
  from: z.iso.datetime().default("2026-01-01T00:00:00Z"),
  to: z.iso.datetime().default("2100-01-01T00:00:00Z"),
  gaps: z.boolean().default(false),
  repeats: z.boolean().default(false),
  clockMinutes: z.int().min(-720).max(720).default(0),
  restarts: z.boolean().default(false),
  wattHours: z.boolean().default(false),
});
export type Switches = z.output<typeof switchesSchema>;

/** The faults of a switch setting up to now: lost hours each third day, a stuck morning each fifth, a clock that is off, Wh for kWh. */
export function faultsOf(switches: Switches, nowUtcMs: number): Faults {
  const from = Date.parse(switches.from);
  const to = Math.min(Date.parse(switches.to), nowUtcMs);
  const span = { from: switches.from, to: new Date(to).toISOString() };
  const each = (every: number, startHour: number, hours: number) =>
    Array.from({ length: Math.max(0, Math.ceil((to - from) / (every * DAY_MS))) }, (_, k) => {
      const start = from - (from % DAY_MS) + k * every * DAY_MS + startHour * HOUR_MS;
      return { from: new Date(start).toISOString(), to: new Date(start + hours * HOUR_MS).toISOString() };
    });
  return {
    ...(switches.gaps ? { gaps: each(3, 9, 2) } : {}),
    ...(switches.repeats ? { frozen: each(5, 8, 3) } : {}),
    ...(switches.clockMinutes === 0 ? {} : { clock: [{ ...span, minutes: switches.clockMinutes }] }),
    ...(switches.wattHours ? { factor: [{ ...span, factor: 1000 }] } : {}),
  };
}
