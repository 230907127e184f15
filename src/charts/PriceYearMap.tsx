import { scaleQuantize } from "d3";

export interface PriceYearMapProps {
  readonly dates: readonly string[];
  /** 24 a date; NaN where no price holds. */
  readonly perKwh: Float64Array;
  readonly bandOf: readonly (string | null)[];
  readonly width: number;
  readonly height: number;
  readonly label: (price: number) => string;
}

const LEFT = 40;
const BOTTOM = 20;
const TOP = 4;
const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];
const SHADES = Array.from({ length: 8 }, (_, k) => `var(--sun-${k})`);

/** The price of a bought kWh at every hour of a year: days from left to right, hours from midnight down; deeper is dearer. */
export function PriceYearMap({ dates, perKwh, bandOf, width, height, label }: PriceYearMapProps) {
  const known = perKwh.filter((price) => !Number.isNaN(price));
  const [least, most] = [Math.min(...known), Math.max(...known)];
  const shade = scaleQuantize<string>([least, most === least ? least + 1e-9 : most], SHADES);
  const perDay = (width - LEFT) / dates.length;
  const perHour = (height - TOP - BOTTOM) / 24;
  return (
    <g fontSize={12} fill="var(--ink-soft)">
      {[0, 6, 12, 18, 24].map((hour) => (
        <text key={hour} x={LEFT - 6} y={TOP + hour * perHour + 4} textAnchor="end">
          {hour}
        </text>
      ))}
      {dates.flatMap((date, d) =>
        runsOf(perKwh, d).map(({ from, to, price }) => (
          <rect
            key={`${date} ${from}`}
            x={LEFT + d * perDay}
            width={perDay + 0.3}
            y={TOP + from * perHour}
            height={(to - from) * perHour + 0.3}
            fill={Number.isNaN(price) ? "var(--heat-none)" : shade(price)}
          >
            <title>{`${date}, ${from} to ${to} h: ${Number.isNaN(price) ? "no price" : `${label(price)} (${bandOf[d * 24 + from]})`}`}</title>
          </rect>
        )),
      )}
      {dates.map((date, d) =>
        date.endsWith("-01") ? (
          <g key={date}>
            <line x1={LEFT + d * perDay} x2={LEFT + d * perDay} y1={TOP} y2={height - BOTTOM} stroke="var(--paper)" strokeOpacity={0.7} />
            {(width > 560 || d % 3 === 0) && (
              <text x={LEFT + (d + 15) * perDay} y={height - 5} textAnchor="middle">
                {MONTHS[Number(date.slice(5, 7)) - 1]}
              </text>
            )}
          </g>
        ) : null,
      )}
    </g>
  );
}

/** Hours of a day that follow each other at one price. */
function runsOf(perKwh: Float64Array, day: number): { from: number; to: number; price: number }[] {
  const runs: { from: number; to: number; price: number }[] = [];
  for (let hour = 0; hour < 24; hour++) {
    const price = perKwh[day * 24 + hour]!;
    const last = runs.at(-1);
    if (last && Object.is(last.price, price)) last.to = hour + 1;
    else runs.push({ from: hour, to: hour + 1, price });
  }
  return runs;
}
