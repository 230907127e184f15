import { scaleLinear } from "d3";
import { say } from "@/wording/charts";

export interface SkyFieldMark {
  readonly azimuthDeg: number;
  readonly elevationDeg: number;
  readonly ratio: number;
  readonly isShaded: boolean;
}

const MARGIN = { top: 8, right: 10, bottom: 24, left: 44 };

/** What the plant gave of what was expected, by where the sun stood on clear hours: short in clay, over in slate. */
export function SkyFields({ fields, width, height }: { fields: readonly SkyFieldMark[]; width: number; height: number }) {
  const azimuths = fields.map((field) => field.azimuthDeg);
  const southern = azimuths.filter((azimuth) => azimuth > 90 && azimuth < 270).length >= azimuths.length / 2;
  const turned = (azimuth: number): number => (southern ? azimuth : azimuth > 180 ? azimuth - 360 : azimuth);
  const domain = southern ? [40, 320] : [-140, 140];
  const x = scaleLinear(domain, [MARGIN.left, width - MARGIN.right]);
  const y = scaleLinear([0, 80], [height - MARGIN.bottom, MARGIN.top]);
  const cell = { width: Math.abs(x(10) - x(0)) - 1, height: Math.abs(y(5) - y(0)) - 1 };
  const names = southern
    ? [
        [90, "E"],
        [180, "S"],
        [270, "W"],
      ]
    : [
        [-90, "W"],
        [0, "N"],
        [90, "E"],
      ];
  return (
    <g fontSize={12.5} fill="var(--ink-soft)">
      {fields.map((field) => {
        const off = Math.max(-1, Math.min(1, (field.ratio - 1) / 0.25));
        return (
          <rect
            key={`${field.azimuthDeg} ${field.elevationDeg}`}
            x={x(turned(field.azimuthDeg) - 5)}
            y={y(field.elevationDeg + 2.5)}
            width={cell.width}
            height={cell.height}
            fill={off < 0 ? "var(--clay)" : "var(--heat-7)"}
            fillOpacity={Math.abs(off) * 0.85 + 0.06}
            stroke={field.isShaded ? "var(--ink)" : "none"}
          >
            <title>
              {say.highOfWhatIsOwed(Math.round(field.azimuthDeg), Math.round(field.elevationDeg), (field.ratio * 100).toFixed(0))}
            </title>
          </rect>
        );
      })}
      {names.map(([azimuth, name]) => (
        <text key={name} x={x(Number(azimuth))} y={height - 7} textAnchor="middle">
          {name}
        </text>
      ))}
      {[20, 40, 60].map((elevation) => (
        <text key={elevation} x={MARGIN.left - 8} y={y(elevation) + 4} textAnchor="end">
          {elevation}°
        </text>
      ))}
    </g>
  );
}
