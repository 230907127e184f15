import { readFileSync } from "node:fs";
import path from "node:path";
import { z } from "zod";

const loose = <T extends z.ZodRawShape>(shape: T) => z.looseObject(shape);
const span = loose({ start: z.string(), end: z.string() });

/** What is true of a simulated plant, as far as it is judged by it (truth.json of the fleet's form). */
const truthSchema = loose({
  plant: z.string(),
  record: loose({ timezone: z.string() }),
  degradation: loose({ rate_pct_per_year: z.number() }),
  soiling: loose({ cleanings: z.array(z.string()).default([]), cleanings_recorded: z.array(z.string()).default([]) }),
  outages: z.array(span.extend({ kind: z.string(), lost_kwh: z.number().optional() })),
  curtailment: z.array(span).default([]),
  actual: loose({
    arrays: z.array(
      loose({ as_claimed: z.boolean(), azimuth_deg: z.number(), tilt_deg: z.number(), claimed_azimuth_deg: z.number().optional() }),
    ),
  }),
  clock: loose({ wrong_spans: z.array(span).default([]) }),
  unit_mistakes: z.array(loose({ first_interval_start: z.string(), end: z.string() })).default([]),
  counter: z.unknown().optional(),
  night_draw: z.unknown().optional(),
  meter_change: loose({ export_stands_in: span }).optional(),
  ceiling_change: loose({ at: z.string(), new_ceiling_kw: z.number() }).optional(),
  derating: loose({ fan_failed: span.optional() }).optional(),
  weather_sensor: loose({ soiled: z.array(span).default([]) }).nullish(),
  totals: loose({ delivered_kwh: z.number(), losses_kwh: z.record(z.string(), z.number()) }),
  monthly: z.array(loose({ month: z.string(), gain_if_removed_kwh: z.record(z.string(), z.number()).optional() })),
});
export type PlantTruth = z.output<typeof truthSchema>;

export const truthOf = (folder: string): PlantTruth => truthSchema.parse(JSON.parse(readFileSync(path.join(folder, "truth.json"), "utf8")));
