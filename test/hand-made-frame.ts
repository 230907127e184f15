import type { AttributionFrame } from "@/core/attribution";
import { site } from "./site-builder";

/** What a hand-made frame differs by from a plant that gives what it owes; all by step, energies in kWh. */
export interface FrameParts {
  readonly days: number;
  readonly stepMinutes?: number;
  readonly open?: (i: number) => number;
  /** From the step and what it owes. */
  readonly metered?: ((i: number, openKwh: number) => number) | undefined;
  readonly ratedKwh?: number;
  readonly unread?: (i: number) => boolean;
  readonly unlit?: (i: number) => boolean;
  readonly airTempC?: (i: number) => number;
  readonly rainMm?: (i: number) => number;
  readonly snowDepthCm?: (i: number) => number;
  readonly clearness?: (i: number) => number;
  /** Where the sun stands. */
  readonly sun?: (i: number) => { readonly azimuthDeg: number; readonly elevationDeg: number };
}

/** Hours from 6 to 18 owe this, kWh; others nothing. */
export const LIT_KWH = 4;

/** A frame of which every number is known: a detector's limits can be met to the digit. A day is a day of UTC. */
export function handMadeFrame(parts: FrameParts): AttributionFrame {
  const stepMinutes = parts.stepMinutes ?? 60;
  const perDay = 1440 / stepMinutes;
  const count = parts.days * perDay;
  const column = (of: (i: number) => number): Float64Array => Float64Array.from({ length: count }, (_, i) => of(i));
  const flags = (of: ((i: number) => boolean) | undefined): Uint8Array => Uint8Array.from({ length: count }, (_, i) => (of?.(i) ? 0 : 1));
  const open = parts.open ?? ((i) => (hourOf(i) >= 6 && hourOf(i) < 18 ? LIT_KWH : 0));
  const hourOf = (i: number): number => ((i % perDay) * stepMinutes) / 60;
  const openKwh = column(open);
  const at = parts.sun ?? ((i) => ({ azimuthDeg: 180, elevationDeg: openKwh[i]! > 0 ? 45 : -20 }));
  const rad = Math.PI / 180;
  const frame = {
    site: site(),
    axis: { startUtcMs: Date.UTC(2023, 0, 1), stepMinutes, count },
    sun: {
      east: column((i) => Math.sin(at(i).azimuthDeg * rad) * Math.cos(at(i).elevationDeg * rad)),
      north: column((i) => Math.cos(at(i).azimuthDeg * rad) * Math.cos(at(i).elevationDeg * rad)),
      up: column((i) => Math.sin(at(i).elevationDeg * rad)),
    },
    weather: {
      airTempC: column(parts.airTempC ?? (() => 10)),
      rainMm: parts.rainMm ? column(parts.rainMm) : null,
      snowDepthCm: parts.snowDepthCm ? column(parts.snowDepthCm) : null,
    },
    days: {
      keys: Array.from({ length: parts.days }, (_, d) => new Date(Date.UTC(2023, 0, 1 + d)).toISOString().slice(0, 10)),
      binOf: Uint16Array.from({ length: count }, (_, i) => Math.floor(i / perDay)),
    },
    openKwh,
    meteredKwh: column((i) => (parts.metered ? parts.metered(i, openKwh[i]!) : openKwh[i]!)),
    read: flags(parts.unread),
    lit: flags(parts.unlit),
    ratedKwh: parts.ratedKwh ?? LIT_KWH,
    clearness: column(parts.clearness ?? (() => 1)),
    resolution: "hours",
  };
  return frame as unknown as AttributionFrame;
}

/** A ratio of one on each day. */
export const usualOf = ({ days }: AttributionFrame, ratio = 1): Float64Array => new Float64Array(days.keys.length).fill(ratio);
/** No step marked. */
export const nowhere = ({ axis }: AttributionFrame): Uint8Array => new Uint8Array(axis.count);
