import { area, line, quantile, type ScaleLinear, scaleLinear, scaleUtc } from "d3";
import { guaranteedFrac } from "@/core/ageing";
import { DAY_MS, DAYS_PER_YEAR } from "@/core/units";
import { ValueAxis } from "./ValueAxis";

export interface AgeingFanProps {
  readonly days: readonly string[];
  /** Index by day; null where a day tells nothing. */
  readonly index: readonly (number | null)[];
  /** Losses a year, redrawn, sorted. */
  readonly fan: readonly number[];
  readonly perYearFrac: number;
  readonly warranty: { readonly firstYearFrac: number; readonly perYearFrac: number } | null;
  /** Output over rating at the record's end with its interval, and the level that the index calls one; null where it can't be told. */
  readonly level: { readonly ageYears: number | null; readonly low: number; readonly high: number; readonly indexFrac: number } | null;
  readonly ageAtStartYears: number;
  readonly width: number;
  readonly height: number;
}

const MARGIN = { top: 10, right: 118, bottom: 22, left: 54 };
const at = (date: string): Date => new Date(`${date}T00:00:00Z`);
const percent = (value: number): string => `${(value * 100).toFixed(0)} %`;

type Axed = Pick<AgeingFanProps, "days" | "index" | "fan" | "perYearFrac" | "level" | "width" | "height">;

/** Both axes: half of the record's length ahead, and down to where the steepest sample or the level's interval ends. */
function axesOf({ days, index, fan, perYearFrac, level, width, height }: Axed) {
  const [from, last] = [at(days[0]!), at(days.at(-1)!)];
  const years = (last.getTime() - from.getTime()) / DAY_MS / DAYS_PER_YEAR;
  const ahead = Math.max(2, years * 0.5);
  const until = new Date(last.getTime() + ahead * DAYS_PER_YEAR * DAY_MS);
  const x = scaleUtc([from, until], [MARGIN.left, width - MARGIN.right]);
  const known = index.filter((value): value is number => value !== null).sort((a, b) => a - b);
  const floor = Math.min(
    quantile(known, 0.01) ?? 0.9,
    1 - (fan.at(-1) ?? perYearFrac) * (years + ahead),
    level ? level.low / level.indexFrac : 1,
  );
  const roof = Math.max(quantile(known, 0.995) ?? 1.05, level ? level.high / level.indexFrac : 1);
  const y = scaleLinear([Math.max(0, floor - 0.01), roof + 0.01], [height - MARGIN.bottom, MARGIN.top]);
  return { x, y, from, last, years, ahead };
}

/** The index day by day, the slope with the fan of its bootstrap samples opening to the years ahead, and the warranty's line. */
export function AgeingFan({ days, index, fan, perYearFrac, warranty, level, ageAtStartYears, width, height }: AgeingFanProps) {
  const { x, y, from, last, years, ahead } = axesOf({ days, index, fan, perYearFrac, level, width, height });
  const steps = Array.from({ length: 41 }, (_, k) => (k / 40) * (years + ahead));
  const when = (t: number): number => x(new Date(from.getTime() + t * DAYS_PER_YEAR * DAY_MS));
  const middle = years / 2;
  // The fan turns about the middle of the record, where the level is known best.
  const along = (rate: number, t: number): number => 1 - perYearFrac * middle - rate * (t - middle);
  const band = (low: number, high: number): string =>
    area<number>()
      .x(when)
      .y0((t) => y(along(low, t)))
      .y1((t) => y(along(high, t)))(steps) ?? "";
  const pick = (share: number): number => fan[Math.round(share * (fan.length - 1))] ?? perYearFrac;
  // What is guaranteed is a level of the rating: it is drawn against the level that the index calls one.
  const guarantee = warranty && level && level.ageYears !== null ? { warranty, indexFrac: level.indexFrac } : null;
  const promised = (t: number): number => (guarantee ? guaranteedFrac(guarantee.warranty, ageAtStartYears + t) / guarantee.indexFrac : 1);
  return (
    <g fontSize={12.5} fill="var(--ink-soft)">
      <ValueAxis y={y} from={MARGIN.left} to={width - MARGIN.right} count={5} label={percent} />
      {x.ticks(Math.min(9, Math.ceil(years + ahead), Math.max(2, Math.floor(width / 90)))).map((tick) => (
        <text key={+tick} x={x(tick)} y={height - 6} textAnchor="middle">
          {tick.getUTCMonth() === 0 ? tick.getUTCFullYear() : ""}
        </text>
      ))}
      <Days days={days} index={index} x={(day) => x(at(day))} y={y} />
      {fan.length > 0 && <path d={band(pick(0), pick(1))} fill="var(--account-ageing)" opacity={0.18} />}
      {fan.length > 0 && <path d={band(pick(0.25), pick(0.75))} fill="var(--account-ageing)" opacity={0.28} />}
      <path
        d={
          line<number>()
            .x(when)
            .y((t) => y(along(perYearFrac, t)))(steps) ?? ""
        }
        fill="none"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      {guarantee && <WarrantyLine when={when} y={y} promised={promised} steps={steps} width={width} years={years} ahead={ahead} />}
      <text
        x={width - MARGIN.right + 6}
        y={y(along(perYearFrac, years + ahead)) + (guarantee ? (promised(years + ahead) > along(perYearFrac, years + ahead) ? 16 : -6) : 4)}
        fill="var(--ink)"
      >
        as read
      </text>
      {level && (
        <LevelBar
          at={x(last)}
          low={y(level.low / level.indexFrac)}
          high={y(level.high / level.indexFrac)}
          top={MARGIN.top}
          bottom={height - MARGIN.bottom}
        />
      )}
      <line x1={x(last)} x2={x(last)} y1={MARGIN.top} y2={height - MARGIN.bottom} stroke="var(--rule-strong)" strokeDasharray="2 3" />
    </g>
  );
}

interface DaysProps {
  readonly days: readonly string[];
  readonly index: readonly (number | null)[];
  readonly x: (day: string) => number;
  readonly y: ScaleLinear<number, number, never>;
}

/** The days that the axis holds. */
function Days({ days, index, x, y }: DaysProps) {
  const [least, most] = y.domain() as [number, number];
  return days.map((day, d) => {
    const value = index[d];
    if (value === null || value === undefined || value < least || value > most) return null;
    return <circle key={day} cx={x(day)} cy={y(value)} r={1.3} fill="var(--account-ageing)" opacity={0.55} />;
  });
}

interface LevelBarProps {
  readonly at: number;
  readonly low: number;
  readonly high: number;
  readonly top: number;
  readonly bottom: number;
}

/** The interval of the level at the record's end; without a cap where it leaves the picture. */
function LevelBar({ at, low, high, top, bottom }: LevelBarProps) {
  const [from, to] = [Math.min(bottom, low), Math.max(top, high)];
  return (
    <g stroke="var(--ink)" strokeWidth={1.4}>
      <line x1={at} x2={at} y1={from} y2={to} />
      {[low, high].map((end) => end >= top && end <= bottom && <line key={end} x1={at - 4} x2={at + 4} y1={end} y2={end} />)}
    </g>
  );
}

interface WarrantyLineProps {
  readonly when: (t: number) => number;
  readonly y: ScaleLinear<number, number, never>;
  readonly promised: (t: number) => number;
  readonly steps: number[];
  readonly width: number;
  readonly years: number;
  readonly ahead: number;
}

function WarrantyLine({ when, y, promised, steps, width, years, ahead }: WarrantyLineProps) {
  return (
    <>
      <path
        d={
          line<number>()
            .x(when)
            .y((t) => y(promised(t)))(steps) ?? ""
        }
        fill="none"
        stroke="var(--clay)"
        strokeWidth={1.6}
        strokeDasharray="7 4"
      />
      <text x={width - MARGIN.right + 6} y={y(promised(years + ahead)) + 4} fill="var(--clay)">
        warranty
      </text>
    </>
  );
}
