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
  readonly promise: HealthSide | null;
}

const nextDay = (date: string): string => new Date(Date.parse(`${date}T00:00:00Z`) + DAY_MS).toISOString().slice(0, 10);

interface Figures {
  readonly dayKwh: number | null;
  readonly lifetimeKwh: number | null;
  /** Local day on which it was read, and since when the inverter counts. */
  readonly on: string;
  readonly since: string;
}

/**
 * The day's total and the lifetime, each over its own days. Of several inverters one's share by nameplate is set beside it: the book knows the whole alone.
 */
export function spansRead(
  basis: WallBasis,
  { dayKwh, lifetimeKwh, on, since }: Figures,
  shareFrac: number,
  tolerance: Tolerance,
): SpanRead[] {
  const span = (kind: SpanRead["kind"], readKwh: number | null, from: string): SpanRead[] => {
    const to = nextDay(on);
    const days = Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);
    if (readKwh === null || !(days > 0)) return [];
    const expected = expectedOverDays(basis, from, to);
    const promised = basis.promiseKwh && promisedKwh(basis.promiseKwh, from, to) * shareFrac;
    return [
      {
        kind,
        readKwh,
        from,
        to,
        days,
        expected: expected && healthSide(readKwh * expected.knownFrac, expected.kwh * shareFrac, tolerance),
        knownFrac: expected?.knownFrac ?? 0,
        promise: promised === null ? null : healthSide(readKwh, promised, tolerance),
      },
    ];
  };
  return [...span("day", dayKwh, on), ...span("lifetime", lifetimeKwh, since)];
}
