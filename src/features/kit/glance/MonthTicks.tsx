import { monthName } from "@/wording/format";

/** Names of the months under a year of days. */
export function MonthTicks({ days, width, y }: { days: readonly string[]; width: number; y: number }) {
  return days.map(
    (day, d) =>
      day.endsWith("-01") && (
        <text key={day} x={(d / days.length) * width + 2} y={y} fontSize={12.5} fill="var(--ink-soft)">
          {monthName(day, "short")}
        </text>
      ),
  );
}
