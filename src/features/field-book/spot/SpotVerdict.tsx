import { ReadingsOnCurve } from "@/charts";
import { type SpotModule, type SpotReading, type SpotReport, spotCurve } from "@/core/electrical";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { spotInWords } from "@/wording/electrical";
import { measure, number } from "@/wording/format";
import { say } from "@/wording/screens/field-book-spot";
import type { SpotRow } from "./spot-rows";
import type { Position } from "./spot-state";

interface SpotVerdictProps {
  readonly chosen: SpotRow;
  readonly rows: SpotRow[];
}

/** The chosen position in words, and every other that is off. */
export function SpotVerdict({ chosen, rows }: SpotVerdictProps) {
  return (
    <p className={chapter.verdict} data-testid="spot-verdict">
      {chosen.words.length > 0 ? (
        <span className={chapter.clay}>{chosen.words.join(" ")}</span>
      ) : chosen.report ? (
        <>
          <Verdict report={chosen.report} name={chosen.position.name} />
          {rows.map((row) =>
            row !== chosen && row.report && isOff(row.report) ? (
              <span key={row.position.name}>
                {" "}
                <Verdict report={row.report} name={row.position.name} />
              </span>
            ) : null,
          )}
        </>
      ) : (
        say.giveTheLightInThePlane
      )}
    </p>
  );
}

interface ReadingChartProps {
  readonly position: Position;
  readonly reading: SpotReading;
  readonly report: SpotReport;
  readonly slug: string;
  readonly module: SpotModule;
}

/** What was read, on the curve of this light and warmth. */
export function ReadingChart({ position, reading, report, slug, module }: ReadingChartProps) {
  return (
    <ChartFrame
      title={say.whereTheReadingsLie}
      note={`${position.name}, ${number(report.lightWm2)} W/m², cells at ${measure(report.cellTempC, "°C")}`}
      fileName={`${slug}-spot-check`}
      height={270}
      summary={spotInWords(report)}
      table={() => [
        ["voltage_v", "current_a"],
        ...spotCurve(module, report.lightWm2, report.cellTempC).map((p) => [p.voltageV, p.currentA]),
      ]}
    >
      {(width) => (
        <ReadingsOnCurve
          width={width}
          height={270}
          withPower
          curve={spotCurve(module, report.lightWm2, report.cellTempC)}
          readings={pointsOf(reading, report)}
        />
      )}
    </ChartFrame>
  );
}

const isOff = ({ judged }: SpotReport): boolean => judged.some(({ verdict }) => verdict !== "as-expected");

function Verdict({ report, name }: { report: SpotReport; name: string }) {
  const off = isOff(report);
  return (
    <span className={off ? chapter.clay : ""}>
      {`${name}: ${spotInWords(report)}`}
      {report.impliedIrradianceWm2 !== null && off && say.theCurrentSpeaksOfWM(number(report.impliedIrradianceWm2))}
      {report.impliedCellTempC !== null && off && say.theVoltageSpeaksOfCellsAt(measure(report.impliedCellTempC, "°C"))}
    </span>
  );
}

function pointsOf(reading: SpotReading, { judged }: SpotReport) {
  const off = (quantity: string): boolean => judged.find((each) => each.quantity === quantity)?.verdict !== "as-expected";
  const { vocV, iscA, operatingV, operatingA } = reading;
  return [
    ...(vocV === null ? [] : [{ label: "Voc", voltageV: vocV, currentA: 0, isOff: off("vocV") }]),
    ...(iscA === null ? [] : [{ label: "Isc", voltageV: 0, currentA: iscA, isOff: off("iscA") }]),
    ...(operatingV === null || operatingA === null
      ? []
      : [{ label: "working", voltageV: operatingV, currentA: operatingA, isOff: off("operatingA") }]),
  ];
}
