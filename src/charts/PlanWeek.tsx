export interface PlanWeekSeason {
  readonly name: string;
  /** Calendar months that it holds, 1 to 12. */
  readonly months: readonly number[];
  readonly bands: readonly { readonly name: string /** 0 is the cheapest or plainest, 1 the dearest. */; readonly depth: number }[];
  readonly days: readonly { readonly name: string; readonly stretches: readonly { from: number; to: number; band: number | null }[] }[];
}

export interface PlanWeekProps {
  readonly seasons: readonly PlanWeekSeason[];
  readonly width: number;
}

const LETTERS = ["J", "F", "M", "A", "M", "J", "J", "A", "S", "O", "N", "D"];
const LEFT = 128;
const DAY_NAMES = 66;
const BAR = 17;
const HEAD = 16;
const ROW = 2 * BAR + 18;
/** Letters of a band's name need so much room each. */
const LETTER_PX = 6.4;

export const planWeekHeight = (seasons: number): number => HEAD + seasons * ROW + 4;

/** The months of each season, and a weekday and a weekend day of it by hours: what a plan looks like before any price is known. */
export function PlanWeek({ seasons, width }: PlanWeekProps) {
  const from = LEFT + DAY_NAMES;
  const perHour = (width - from - 2) / 24;
  return (
    <g fontSize={11.5} fill="var(--ink-soft)">
      {[0, 6, 12, 18, 24].map((hour) => (
        <text key={hour} x={from + hour * perHour} y={11} textAnchor={hour === 24 ? "end" : hour === 0 ? "start" : "middle"}>
          {hour === 24 ? "24 h" : hour}
        </text>
      ))}
      {seasons.map((season, s) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a season's name is being typed
        <g key={s} transform={`translate(0, ${HEAD + s * ROW})`}>
          <text y={13} fill="var(--ink)" fontSize={13}>
            {season.name}
          </text>
          <Months held={season.months} />
          {season.days.map((day, d) => (
            <g key={day.name} transform={`translate(0, ${d * (BAR + 3)})`}>
              <text x={from - 6} y={13} textAnchor="end">
                {day.name}
              </text>
              {day.stretches.map((stretch) => (
                <Stretch
                  key={stretch.from}
                  x={from + stretch.from * perHour}
                  width={(stretch.to - stretch.from) * perHour}
                  band={stretch.band === null ? null : season.bands[stretch.band]!}
                  title={`${day.name}, ${stretch.from} to ${stretch.to} h`}
                />
              ))}
            </g>
          ))}
        </g>
      ))}
    </g>
  );
}

const Months = ({ held }: { held: readonly number[] }) =>
  LETTERS.map((letter, m) => (
    // biome-ignore lint/suspicious/noArrayIndexKey: twelve months in their order
    <g key={m} transform={`translate(${m * 9.6}, 20)`}>
      <rect width={8.6} height={13} fill={held.includes(m + 1) ? "var(--brass)" : "var(--paper-deep)"} />
      <text x={4.3} y={10.5} textAnchor="middle" fontSize={9} fill={held.includes(m + 1) ? "var(--paper)" : "var(--ink-soft)"}>
        {letter}
      </text>
    </g>
  ));

interface StretchProps {
  readonly x: number;
  readonly width: number;
  readonly band: PlanWeekSeason["bands"][number] | null;
  readonly title: string;
}

function Stretch({ x, width, band, title }: StretchProps) {
  return (
    <g>
      <rect
        x={x}
        width={width}
        height={BAR}
        fill={band === null ? "var(--heat-none)" : `var(--sun-${Math.round(1 + band.depth * 3)})`}
        stroke="var(--paper)"
      >
        <title>{`${title}: ${band?.name ?? "no band"}`}</title>
      </rect>
      {band !== null && band.name.length * LETTER_PX < width && (
        <text x={x + width / 2} y={12.5} textAnchor="middle" fill="var(--ink)" pointerEvents="none">
          {band.name}
        </text>
      )}
    </g>
  );
}
