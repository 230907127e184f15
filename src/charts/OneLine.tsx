import type { KeyboardEvent, ReactNode } from "react";
import { say } from "@/wording/charts";

export type LimitState = "holds" | "broken" | "unknown";

export interface OneLineArray {
  readonly id: string;
  readonly name: string;
  /** "2 strings of 15" and the like. */
  readonly strings: string;
  readonly state: LimitState;
}

export interface OneLineInverter {
  readonly id: string;
  readonly title: string;
  readonly lines: readonly string[];
  readonly arrays: readonly OneLineArray[];
}

export interface OneLineMeter {
  readonly id: string;
  readonly point: "dc" | "ac" | "net" | "export" | "import";
}

export interface OneLineProps {
  readonly width: number;
  readonly inverters: readonly OneLineInverter[];
  readonly meters: readonly OneLineMeter[];
  /** The line ends in a battery and what hangs on it. */
  readonly isOffGrid?: boolean;
  /** Moves a meter on along the line. */
  readonly onMeter?: (id: string) => void;
}

const ROW = 50;
const GAP = 16;
const BOX = 38;
const MIN_INVERTER = 58;

const groupHeight = (inverter: OneLineInverter): number => Math.max(inverter.arrays.length * ROW, MIN_INVERTER);
export const oneLineHeight = (inverters: readonly OneLineInverter[]): number =>
  26 + inverters.reduce((sum, i) => sum + groupHeight(i) + GAP, 0) + 26;

/** Arrays, strings, inverters, meters and grid as electricians draw them: one line from left to right. */
export function OneLine({ width, inverters, meters, isOffGrid = false, onMeter }: OneLineProps) {
  const x = { array: 0, arrayEnd: width * 0.27, inverter: width * 0.45, inverterEnd: width * 0.66, bus: width * 0.78, grid: width - 66 };
  const placed = inverters.map((inverter, k) => {
    const top = 26 + inverters.slice(0, k).reduce((sum, before) => sum + groupHeight(before) + GAP, 0);
    return { inverter, top, middle: top + groupHeight(inverter) / 2 };
  });
  const bus = placed.length > 0 ? (placed[0]!.middle + placed.at(-1)!.middle) / 2 : 40;
  const at = (point: OneLineMeter["point"]): { x: number; y: number } => {
    if (point === "dc") return { x: (x.arrayEnd + x.inverter) / 2 + 26, y: placed[0]?.middle ?? 40 };
    if (point === "ac") return { x: x.bus, y: bus };
    return { x: (x.bus + x.grid) / 2 + 16, y: bus };
  };
  return (
    <g fontSize={12.5}>
      <g fill="var(--ink-soft)" fontStyle="italic" fontFamily="var(--serif)" fontSize={14}>
        <text x={x.array} y={14}>
          {say.arraysAndStrings}
        </text>
        <text x={x.inverter} y={14}>
          {isOffGrid ? say.chargeController : "inverters"}
        </text>
        <text x={x.grid + 66} y={14} textAnchor="end">
          {isOffGrid ? say.metersAndBattery : say.metersAndGrid}
        </text>
      </g>
      <BusTop placed={placed} x={x} bus={bus} />
      {placed.map(({ inverter, top, middle }) => (
        <g key={inverter.id}>
          {inverter.arrays.map((array, k) => (
            <ArrayBox
              key={array.id}
              array={array}
              x={x.array}
              y={top + (groupHeight(inverter) - inverter.arrays.length * ROW) / 2 + (k + 0.5) * ROW - BOX / 2}
              width={x.arrayEnd}
            />
          ))}
          <InverterBox inverter={inverter} x={x.inverter} y={middle} width={x.inverterEnd - x.inverter} />
        </g>
      ))}
      {meters.map((meter, k) => {
        const same = meters.slice(0, k).filter((other) => spot(other.point) === spot(meter.point)).length;
        const place = at(meter.point);
        return <MeterMark key={meter.id} meter={meter} x={place.x + same * 30} y={place.y} onMeter={onMeter} />;
      })}
      <g transform={`translate(${x.grid},${bus})`}>
        <path d="M0 0H10M10 -14V14M14 -10V10M18 -6V6" stroke="var(--ink)" strokeWidth={1.6} fill="none" />
        <text x={24} y={4} fill="var(--ink)">
          {isOffGrid ? "battery" : "grid"}
        </text>
      </g>
    </g>
  );
}

interface BusTopProps {
  readonly placed: { inverter: OneLineInverter; top: number; middle: number }[];
  readonly x: { array: number; arrayEnd: number; inverter: number; inverterEnd: number; bus: number; grid: number };
  readonly bus: number;
}

function BusTop({ placed, x, bus }: BusTopProps) {
  return (
    <g stroke="var(--ink)" strokeWidth={1.4} fill="none">
      {placed.map(({ inverter, top, middle }) => (
        <g key={inverter.id}>
          {inverter.arrays.map((array, k) => {
            const own = top + (groupHeight(inverter) - inverter.arrays.length * ROW) / 2 + (k + 0.5) * ROW;
            return <path key={array.id} d={`M${x.arrayEnd} ${own}H${(x.arrayEnd + x.inverter) / 2}V${middle}H${x.inverter}`} />;
          })}
          <path d={`M${x.inverterEnd} ${middle}H${x.bus}V${bus}`} />
        </g>
      ))}
      <path d={`M${x.bus} ${bus}H${x.grid}`} />
    </g>
  );
}

const spot = (point: OneLineMeter["point"]): string => (point === "dc" || point === "ac" ? point : "grid");

const STATE: Readonly<Record<LimitState, { colour: string; mark: string; words: string }>> = {
  holds: { colour: "var(--moss)", mark: "✓", words: "limits hold" },
  broken: { colour: "var(--clay)", mark: "!", words: say.aLimitIsBroken },
  unknown: { colour: "var(--ink-soft)", mark: "?", words: say.limitsNotKnown },
};

function ArrayBox({ array, x, y, width }: { array: OneLineArray; x: number; y: number; width: number }) {
  const { colour, mark, words } = STATE[array.state];
  return (
    <g transform={`translate(${x},${y})`}>
      <Box width={width} height={BOX} edge={array.state === "broken" ? "var(--clay)" : "var(--ink)"}>
        <path d={`M0 ${BOX}L12 0`} stroke="var(--ink)" strokeWidth={0.8} />
      </Box>
      <text x={20} y={16} fill="var(--ink)" fontWeight={600}>
        {array.name}
      </text>
      <text x={20} y={31} fill="var(--ink-soft)">
        {array.strings}
      </text>
      <text x={width - 8} y={24} textAnchor="end" fill={colour} fontWeight={700}>
        <title>{words}</title>
        {mark}
      </text>
    </g>
  );
}

function InverterBox({ inverter, x, y, width }: { inverter: OneLineInverter; x: number; y: number; width: number }) {
  const height = 26 + inverter.lines.length * 15;
  return (
    <g transform={`translate(${x},${y - height / 2})`}>
      <Box width={width} height={height} edge="var(--ink)">
        <path d={`M0 ${height}L${width} 0`} stroke="var(--rule)" />
      </Box>
      <text x={10} y={17} fill="var(--ink)" fontWeight={600}>
        {inverter.title}
      </text>
      {inverter.lines.map((line, k) => (
        <text key={line} x={10} y={32 + k * 15} fill="var(--ink-soft)">
          {line}
        </text>
      ))}
    </g>
  );
}

function Box({ width, height, edge, children }: { width: number; height: number; edge: string; children?: ReactNode }) {
  return (
    <>
      <rect width={width} height={height} fill="var(--paper-deep)" stroke={edge} strokeWidth={edge === "var(--clay)" ? 2 : 1} />
      {children}
    </>
  );
}

interface MeterMarkProps {
  readonly meter: OneLineMeter;
  readonly x: number;
  readonly y: number;
  readonly onMeter: ((id: string) => void) | undefined;
}

function MeterMark({ meter, x, y, onMeter }: MeterMarkProps) {
  const point = meter.point === "dc" || meter.point === "ac" ? meter.point.toUpperCase() : meter.point;
  const move = onMeter && {
    role: "button",
    tabIndex: 0,
    "aria-label": say.meterMoveItOnAlongThe(meter.id, point),
    style: { cursor: "pointer" },
    onClick: () => onMeter(meter.id),
    onKeyDown: (event: KeyboardEvent<SVGGElement>) => {
      if (event.key !== "Enter" && event.key !== " ") return;
      event.preventDefault();
      onMeter(meter.id);
    },
  };
  return (
    <g transform={`translate(${x},${y})`} {...move}>
      {onMeter && <title>{say.clickToMoveItOnDc}</title>}
      <circle r={12} fill="var(--paper)" stroke="var(--brass)" strokeWidth={2} />
      <text y={4} textAnchor="middle" fill="var(--ink)" fontSize={10.5} fontWeight={700}>
        kWh
      </text>
      <text y={27} textAnchor="middle" fill="var(--ink)" stroke="var(--paper)" strokeWidth={3} paintOrder="stroke">
        {`${meter.id}, ${point}`}
      </text>
    </g>
  );
}
