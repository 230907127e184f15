import { scaleLinear } from "d3";
import { number } from "@/wording/format";
import { ValueAxis } from "./ValueAxis";

interface PowerByLightProps {
  /** In-plane light, metered and expected power. */
  readonly points: readonly (readonly [number, number, number])[];
  /** Reporting light, W/m2. */
  readonly at: number;
  readonly meteredKw: number;
  readonly expectedKw: number;
  readonly width: number;
  readonly height: number;
}

const MARGIN = { top: 10, right: 12, bottom: 36, left: 50 };
/** Room about the outermost dots. */
const ROOM = 1.04;

/** Metered and expected power of single intervals over their light, with both capacities at the reporting light. */
export function PowerByLight({ points, at, meteredKw, expectedKw, width, height }: PowerByLightProps) {
  const lights = points.map(([light]) => light);
  const powers = points.flatMap(([, metered, expected]) => [metered, expected]);
  const least = Math.min(...powers) / ROOM ** 2;
  const x = scaleLinear([Math.min(...lights, at) / ROOM, Math.max(...lights, at) * ROOM], [MARGIN.left, width - MARGIN.right]);
  const y = scaleLinear([Math.max(0, least), Math.max(...powers) * ROOM], [height - MARGIN.bottom, MARGIN.top]);
  const digits = y.domain()[1]! < 20 ? 1 : 0;
  return (
    <g fontSize={12.5} fill="var(--ink-soft)">
      <ValueAxis y={y} from={MARGIN.left} to={width - MARGIN.right} count={5} label={(kw) => number(kw, digits)} />
      <text x={MARGIN.left - 6} y={height - MARGIN.bottom + 14} textAnchor="end">
        kW
      </text>
      {x.ticks(Math.max(3, Math.floor(width / 110))).map((tick) => (
        <text key={tick} x={x(tick)} y={height - MARGIN.bottom + 17} textAnchor="middle">
          {number(tick)}
        </text>
      ))}
      <text x={width - MARGIN.right} y={height - 4} textAnchor="end">
        W/m²
      </text>
      {points.map(([light, metered, expected], k) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: an interval has no other name
        <g key={k}>
          <circle cx={x(light)} cy={y(expected)} r={2.2} fill="none" stroke="var(--brass)" strokeOpacity={0.55} />
          <circle cx={x(light)} cy={y(metered)} r={1.7} fill="var(--ink)" fillOpacity={0.6} />
        </g>
      ))}
      <line x1={x(at)} x2={x(at)} y1={MARGIN.top} y2={height - MARGIN.bottom} stroke="var(--ink)" strokeDasharray="4 3" />
      <circle cx={x(at)} cy={y(expectedKw)} r={6} fill="var(--paper)" stroke="var(--brass)" strokeWidth={2.5} />
      <circle cx={x(at)} cy={y(meteredKw)} r={5} fill="var(--clay)" />
    </g>
  );
}
