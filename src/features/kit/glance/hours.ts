import type { Glance } from "@/contracts/ledger";

/** What the hours of a year show: energies as shares of the best hour, or metered over expected. */
export type GlanceMode = "expected" | "metered" | "ratio";

/** Hours with less than this share of the year's best hour are dusk: their ratio says nothing. */
const DUSK_FRAC = 0.03;

export interface GlanceHours {
  readonly values: readonly (number | null)[];
  readonly firstHour: number;
  readonly lastHour: number;
}

/** Values of every lit hour, and the first and last hour of the day that hold any. */
export function glanceHours({ expectedKwh, meteredKwh }: Glance, mode: GlanceMode): GlanceHours {
  const best = expectedKwh.reduce<number>((most, kwh) => Math.max(most, kwh ?? 0), 1e-9);
  let firstHour = 23;
  let lastHour = 0;
  const values = expectedKwh.map((expected, cell) => {
    if (expected === null || expected < DUSK_FRAC * best) return null;
    firstHour = Math.min(firstHour, cell % 24);
    lastHour = Math.max(lastHour, cell % 24);
    const metered = meteredKwh[cell] ?? null;
    if (mode === "expected") return expected / best;
    if (metered === null) return null;
    return mode === "metered" ? metered / best : metered / expected;
  });
  return { values, firstHour: Math.min(firstHour, lastHour), lastHour };
}

/** The figures behind the picture. */
export const glanceTable = ({ days, expectedKwh, meteredKwh }: Glance): (string | number | null)[][] => [
  ["day", "hour", "expected_kwh", "metered_kwh"],
  ...expectedKwh.map((kwh, cell) => [days[Math.floor(cell / 24)] ?? "", cell % 24, kwh, meteredKwh[cell] ?? null]),
];
