import type { TimeAxis } from "@/core/series";
import type { SunColumns } from "@/core/sun";
import { MINUTE_MS } from "@/core/units";

/** Ways in which a logger misbehaves on request; times are ISO instants, half-open. */
export interface Faults {
  readonly gaps?: readonly Span[];
  /** The energy of these gaps comes in the first row after. */
  readonly caughtUp?: readonly Span[];
  /** The last value is repeated. */
  readonly frozen?: readonly Span[];
  /** The clock runs so many minutes ahead (negative: behind). */
  readonly clock?: readonly (Span & { readonly minutes: number })[];
  readonly factor?: readonly (Span & { readonly factor: number })[];
  /** Single impossible values, in multiples of the largest true one. */
  readonly spikes?: readonly { readonly at: string; readonly times: number }[];
  /** Readings from before the inverter, with this efficiency. */
  readonly dc?: { readonly efficiencyFrac: number };
  /** A battery in the clamp: this much is kept back around noon and given off after dark, kWh a day. */
  readonly battery?: { readonly kwhPerDay: number };
  /** The house's use is taken off: what is left over is export, or net where it may go below zero. */
  readonly house?: { readonly loadKw: number; readonly eveningKw: number; readonly netted: boolean };
  /** The inverter's own draw at night, W. */
  readonly drawW?: number;
  /** From here on the meter gives this share. */
  readonly level?: { readonly from: string; readonly share: number };
}

interface Span {
  readonly from: string;
  readonly to: string;
}

/** What a misbehaving logger would have written for a true series; NaN where it wrote nothing. */
export function misbehave(axis: TimeAxis, trueKwh: Float64Array, sun: Pick<SunColumns, "up">, faults: Faults): Float64Array {
  const out = trueKwh.slice();
  meter(axis, out, sun, faults);
  for (const span of faults.factor ?? [])
    over(axis, span, (i) => {
      out[i] = out[i]! * span.factor;
    });
  moveClock(axis, out, faults.clock ?? []);
  for (const span of faults.frozen ?? []) {
    let last = Number.NaN;
    over(axis, span, (i) => {
      if (Number.isNaN(last)) last = out[i]!;
      out[i] = last;
    });
  }
  const largest = out.reduce((best, value) => (Number.isNaN(value) ? best : Math.max(best, value)), 0);
  for (const { at, times } of faults.spikes ?? []) out[indexOf(axis, at)] = largest * times;
  for (const span of faults.caughtUp ?? []) catchUp(axis, out, span);
  for (const span of faults.gaps ?? [])
    over(axis, span, (i) => {
      out[i] = Number.NaN;
    });
  return out;
}

const indexOf = (axis: TimeAxis, iso: string): number => Math.round((Date.parse(iso) - axis.startUtcMs) / (axis.stepMinutes * MINUTE_MS));

function over(axis: TimeAxis, span: Span, each: (i: number) => void): void {
  for (let i = Math.max(0, indexOf(axis, span.from)); i < Math.min(axis.count, indexOf(axis, span.to)); i++) each(i);
}

/** Where the meter sits, and what else runs through it. */
function meter(axis: TimeAxis, out: Float64Array, sun: Pick<SunColumns, "up">, { dc, battery, house, drawW, level }: Faults): void {
  const hours = axis.stepMinutes / 60;
  for (let i = 0; i < out.length; i++) {
    const up = sun.up[i]!;
    if (dc) out[i] = out[i]! / dc.efficiencyFrac;
    if (battery)
      out[i] =
        up > 0.35
          ? Math.max(0, out[i]! - (battery.kwhPerDay / 5) * hours)
          : up < -0.32 && up > -0.75
            ? (battery.kwhPerDay / 4) * hours
            : out[i]!;
    if (drawW && up < 0) out[i] = out[i]! - (drawW / 1000) * hours;
    if (house) {
      const left = out[i]! - (up < 0.25 ? house.eveningKw : house.loadKw) * hours;
      out[i] = house.netted ? left : Math.max(0, left);
    }
    if (level && axis.startUtcMs + i * axis.stepMinutes * MINUTE_MS >= Date.parse(level.from)) out[i] = out[i]! * level.share;
  }
}

function moveClock(axis: TimeAxis, out: Float64Array, spans: NonNullable<Faults["clock"]>): void {
  if (spans.length === 0) return;
  const before = out.slice();
  for (const span of spans) {
    const by = Math.round(span.minutes / axis.stepMinutes);
    over(axis, span, (i) => {
      out[i] = Number.NaN;
    });
    over(axis, span, (i) => {
      const target = i + by;
      if (target >= 0 && target < out.length) out[target] = before[i]!;
    });
  }
}

function catchUp(axis: TimeAxis, out: Float64Array, span: Span): void {
  let sum = 0;
  over(axis, span, (i) => {
    sum += out[i]!;
    out[i] = Number.NaN;
  });
  const after = indexOf(axis, span.to);
  out[after] = out[after]! + sum;
}
