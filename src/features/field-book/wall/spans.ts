import { expectedOverDays, type HealthSide, healthSide, promisedKwh, type Tolerance } from "@/core/readings";
import { DAY_MS } from "@/core/units";

/** What stands in the book for each day, and what was promised of it. */
export interface WallBasis {
  readonly days: readonly string[];
  readonly expectedKwh: readonly number[];
  readonly promiseKwh: readonly number[] | null;
  readonly commissioned: string | null;
}

/** A figure of the display over its days [from, to), beside what it should be. */
export interface SpanRead {
  readonly kind: "day" | "lifetime";
  readonly readKwh: number;
  readonly from: string;
  readonly to: string;
  readonly days: number;
  /** Against what was expected in the weather that came; null where none stands in the book for those days. */
  readonly expected: HealthSide | null;
  /** Share of the days that have weather. */
  readonly knownFrac: number;
  /** Of the site's energy, the share that is this inverter's by nameplate; and of the day's, what comes by the time of the reading under a cloudless sky. */
  readonly shareFrac: number;
  readonly soFarFrac: number;
  /** Clock of the reading. */
  readonly at: string;
  readonly promise: HealthSide | null;
}

const nextDay = (date: string): string => new Date(Date.parse(`${date}T00:00:00Z`) + DAY_MS).toISOString().slice(0, 10);

interface Figures {
  readonly dayKwh: number | null;
  readonly lifetimeKwh: number | null;
  /** Local time at which it was read ("2025-06-10T13:00"), and since when the inverter counts. */
  readonly at: string;
  readonly since: string;
  readonly shareFrac: number;
  readonly soFarFrac: number;
}

/**
 * The day's total and the lifetime, each over its own days. Of several inverters one's share by nameplate is set beside it: the book knows the whole alone. A day that
 * is not over is held against what a cloudless one has brought by then.
 */
export function spansRead(basis: WallBasis, figures: Figures, tolerance: Tolerance): SpanRead[] {
  const { dayKwh, lifetimeKwh, at, since, shareFrac } = figures;
  const on = at.slice(0, 10);
  const span = (kind: SpanRead["kind"], readKwh: number | null, from: string): SpanRead[] => {
    const to = nextDay(on);
    const days = Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);
    if (readKwh === null || !(days > 0)) return [];
    const soFarFrac = kind === "day" ? figures.soFarFrac : 1;
    const part = shareFrac * soFarFrac;
    const expected = expectedOverDays(basis, from, to);
    const promised = basis.promiseKwh && promisedKwh(basis.promiseKwh, from, to) * part;
    return [
      {
        kind,
        readKwh,
        from,
        to,
        days,
        expected: expected && healthSide(readKwh * expected.knownFrac, expected.kwh * part, tolerance),
        knownFrac: expected?.knownFrac ?? 0,
        shareFrac,
        soFarFrac,
        at: at.slice(11, 16),
        promise: promised === null ? null : healthSide(readKwh, promised, tolerance),
      },
    ];
  };
  return [...span("day", dayKwh, on), ...span("lifetime", lifetimeKwh, since)];
}
