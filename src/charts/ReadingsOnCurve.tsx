import { line, type ScaleLinear, scaleLinear } from "d3";
import { ValueAxis } from "./ValueAxis";

export interface CurvePoint {
  readonly voltageV: number;
  readonly currentA: number;
}

export interface CurveReading extends CurvePoint {
  readonly label: string;
  readonly isOff: boolean;
}

const MARGIN = { top: 14, right: 16, bottom: 38, left: 52 };

export interface ReadingsOnCurveProps {
  readonly curve: readonly CurvePoint[];
  /** Power by voltage, drawn thin; scaled to its own top. */
  readonly withPower?: boolean;
  readonly readings: readonly CurveReading[];
  readonly peaks?: readonly CurvePoint[];
  readonly width: number;
  readonly height: number;
}

/** Current over voltage as it should be, with what was read on it. */
export function ReadingsOnCurve({ curve, withPower = false, readings, peaks = [], width, height }: ReadingsOnCurveProps) {
  const mostV = Math.max(1e-6, ...curve.map((p) => p.voltageV), ...readings.map((r) => r.voltageV));
  const mostA = Math.max(1e-6, ...curve.map((p) => p.currentA), ...readings.map((r) => r.currentA));
  const x = scaleLinear([0, mostV * 1.04], [MARGIN.left, width - MARGIN.right]);
  const y = scaleLinear([0, mostA * 1.12], [height - MARGIN.bottom, MARGIN.top]).nice(5);
  const topW = Math.max(1e-6, ...curve.map((p) => p.voltageV * p.currentA));
  const power = scaleLinear([0, topW * 1.12], [height - MARGIN.bottom, MARGIN.top]);
  const shape = line<CurvePoint>(
    (p) => x(p.voltageV),
    (p) => y(p.currentA),
  );
  const powerShape = line<CurvePoint>(
    (p) => x(p.voltageV),
    (p) => power(p.voltageV * p.currentA),
  );
  return (
    <g fontSize={12.5} fill="var(--ink-soft)">
      <ValueAxis y={y} from={MARGIN.left} to={width - MARGIN.right} count={5} label={(value) => String(value)} zero />
      {x.ticks(Math.max(3, Math.min(9, Math.floor(width / 80)))).map((tick) => (
        <text key={tick} x={x(tick)} y={height - MARGIN.bottom + 16} textAnchor="middle">
          {tick}
        </text>
      ))}
      <text x={width - MARGIN.right} y={height - 6} textAnchor="end">
        V
      </text>
      <text x={MARGIN.left + 6} y={MARGIN.top + 4}>
        A
      </text>
      {withPower && <path d={powerShape([...curve]) ?? ""} fill="none" stroke="var(--brass)" strokeWidth={1.4} strokeDasharray="5 3" />}
      <path d={shape([...curve]) ?? ""} fill="none" stroke="var(--ink)" strokeWidth={2} />
      {peaks.map((peak, k) => (
        <PeakMark key={`${peak.voltageV} ${peak.currentA}`} peak={peak} x={x} y={y} k={k} />
      ))}
      {readings.map((reading) => (
        <g key={reading.label} transform={`translate(${x(reading.voltageV)},${y(reading.currentA)})`}>
          {reading.isOff ? (
            <path d="M-5,-5 L5,5 M-5,5 L5,-5" stroke="var(--clay)" strokeWidth={2.4} />
          ) : (
            <circle r={4.5} fill="var(--moss)" stroke="var(--paper)" strokeWidth={1.5} />
          )}
          <text
            x={reading.voltageV > mostV * 0.7 ? -9 : 9}
            y={reading.currentA > mostA * 0.2 ? 16 : -9}
            textAnchor={reading.voltageV > mostV * 0.7 ? "end" : "start"}
            fill={reading.isOff ? "var(--clay)" : "var(--ink)"}
          >
            {reading.label}
          </text>
        </g>
      ))}
    </g>
  );
}

interface PeakMarkProps {
  readonly peak: CurvePoint;
  readonly x: ScaleLinear<number, number, never>;
  readonly y: ScaleLinear<number, number, never>;
  readonly k: number;
}

function PeakMark({ peak, x, y, k }: PeakMarkProps) {
  return (
    <g>
      <line x1={x(peak.voltageV)} x2={x(peak.voltageV)} y1={y(0)} y2={y(peak.currentA)} stroke="var(--rule-strong)" strokeDasharray="2 3" />
      <circle
        cx={x(peak.voltageV)}
        cy={y(peak.currentA)}
        r={k === 0 ? 5 : 3.5}
        fill={k === 0 ? "var(--brass)" : "var(--paper)"}
        stroke="var(--brass)"
      />
    </g>
  );
}
