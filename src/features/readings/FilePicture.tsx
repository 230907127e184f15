import { line, scaleBand, scaleLinear } from "d3";
import type { ImportPreview } from "@/contracts/imports";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { monthName, number } from "@/wording/format";
import { say } from "@/wording/screens/readings";
import styles from "./ReadingsChapter.module.css";

const HEIGHT = 74;

/** A small picture of what is read: the mean day, and the months. A day that peaks at midnight shows at once. */
export function FilePicture({ preview }: { preview: ImportPreview }) {
  if (preview.dayShape.length === 0 && preview.monthly.length === 0) return null;
  const isEnergy = preview.kind === "production" || preview.kind === "modules";
  const unit = isEnergy ? "kWh" : (preview.columns[0]?.unit ?? "");
  return (
    <div className={styles.pictures} data-testid="file-picture">
      {preview.dayShape.length > 0 && <DayShape values={preview.dayShape} unit={isEnergy ? say.kwhAnHour : unit} />}
      {preview.monthly.length > 0 && <Months values={preview.monthly} unit={unit} />}
    </div>
  );
}

function DayShape({ values, unit }: { values: ImportPreview["dayShape"]; unit: string }) {
  const most = Math.max(...values.map((value) => value ?? 0), 1e-9);
  const y = scaleLinear([Math.min(0, ...values.map((value) => value ?? 0)), most], [HEIGHT - 2, 4]);
  return (
    <ChartFrame
      title={say.theMeanDay}
      note={say.theMeanDayOnTheSites(number(most, most < 10 ? 2 : 0), unit)}
      fileName="mean-day"
      height={HEIGHT + 16}
      summary={say.theMeanDayAsItWould}
      table={() => [["hour", "value"], ...values.map((value, hour) => [hour, value])]}
    >
      {(width) => {
        const x = scaleLinear([0, 24], [0, width]);
        const path = line<number | null>()
          .defined((value) => value !== null)
          .x((_, hour) => x(hour + 0.5))
          .y((value) => y(value!))(values);
        return (
          <>
            {[6, 12, 18].map((hour) => (
              <g key={hour}>
                <line x1={x(hour)} x2={x(hour)} y2={HEIGHT} stroke="var(--rule)" />
                <text x={x(hour)} y={HEIGHT + 13} fontSize={12} textAnchor="middle" fill="var(--ink-soft)">
                  {hour} h
                </text>
              </g>
            ))}
            <line x2={width} y1={HEIGHT} y2={HEIGHT} stroke="var(--rule-strong)" />
            <path d={path ?? ""} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
          </>
        );
      }}
    </ChartFrame>
  );
}

function Months({ values, unit }: { values: ImportPreview["monthly"]; unit: string }) {
  const most = Math.max(...values.map(({ value }) => value), 1e-9);
  const y = scaleLinear([0, most], [HEIGHT, 4]);
  const decimals = (value: number): number => (value < 10 ? 2 : 0);
  return (
    <ChartFrame
      title={say.theMonths}
      note={say.theMonthsAtTheMost(number(most, decimals(most)), unit)}
      fileName="months"
      height={HEIGHT + 16}
      summary={say.theMonthsAsTheyWouldBe}
      table={() => [["month", "value"], ...values.map(({ key, value }) => [key, value])]}
    >
      {(width) => {
        const x = scaleBand(
          values.map(({ key }) => key),
          [0, width],
        ).paddingInner(0.15);
        return (
          <>
            {values.map(({ key, value }) => (
              <rect
                key={key}
                x={x(key)}
                y={y(Math.max(0, value))}
                width={x.bandwidth()}
                height={HEIGHT - y(Math.max(0, value))}
                fill="var(--owed-edge)"
              >
                <title>{`${monthName(key)} ${key.slice(0, 4)}: ${number(value, decimals(value))} ${unit}`}</title>
              </rect>
            ))}
            <line x2={width} y1={HEIGHT} y2={HEIGHT} stroke="var(--rule-strong)" />
            {values
              .filter(({ key }, k) => key.endsWith("-01") || (k === 0 && !values.slice(1, 7).some((later) => later.key.endsWith("-01"))))
              .map(({ key }) => (
                <text key={key} x={x(key)} y={HEIGHT + 13} fontSize={12} fill="var(--ink-soft)">
                  {key.slice(0, 4)}
                </text>
              ))}
          </>
        );
      }}
    </ChartFrame>
  );
}
