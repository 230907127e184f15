/** Classes of the shaded share: under 2 %, then upward. */
const BOUNDS = [0.02, 0.1, 0.25, 0.5, 0.75, 0.95] as const;

/** Month by hour of the day: a column an hour, a row a month, darker where more of the array lies in shade. `byHour` has 288 values, NaN without sun. */
export function ShadeHoursGrid({ width, height, byHour }: { width: number; height: number; byHour: Float64Array }) {
  const left = 28;
  const cell = { width: (width - left) / 24, height: (height - 16) / 12 };
  return (
    <g fontSize={10.5}>
      {Array.from(byHour, (share, k) => {
        if (Number.isNaN(share)) return null;
        const month = Math.floor(k / 24);
        const level = BOUNDS.filter((bound) => share >= bound).length;
        return (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: a cell is its month and hour
            key={k}
            x={left + (k % 24) * cell.width}
            y={month * cell.height}
            width={cell.width - 0.6}
            height={cell.height - 0.6}
            fill={level === 0 ? "var(--owed)" : "var(--account-shading)"}
            fillOpacity={level === 0 ? 1 : 0.18 + 0.82 * (level / BOUNDS.length)}
          />
        );
      })}
      {["Jan", "Apr", "Jul", "Oct"].map((month, k) => (
        <text key={month} x={left - 5} y={k * 3 * cell.height + 9} textAnchor="end" fill="var(--ink-soft)">
          {month}
        </text>
      ))}
      {[3, 6, 9, 12, 15, 18, 21].map((hour) => (
        <text key={hour} x={left + hour * cell.width} y={height - 3} textAnchor="middle" fill="var(--ink-soft)">
          {hour}
        </text>
      ))}
    </g>
  );
}
