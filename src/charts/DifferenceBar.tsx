import { scaleLinear } from "d3";

export interface DifferenceBarProps {
  /** Positive is missing at the meter (drawn to the left), negative is more than owed. */
  readonly unexplainedKwh: number;
  readonly dataGapKwh: number;
  /** Largest missing and largest over of the page, so that all its lines share one scale. */
  readonly mostShortKwh: number;
  readonly mostOverKwh: number;
  readonly look: boolean;
  readonly width: number;
  readonly height: number;
}

/** Kilowatt-hours a pixel that fit both sides of a spine whose zero stands at two thirds. */
function spineScale(mostShortKwh: number, mostOverKwh: number, zero: number, width: number) {
  const perKwh = Math.min((zero - 2) / Math.max(mostShortKwh, 1e-9), (width - zero - 2) / Math.max(mostOverKwh, 1e-9));
  return scaleLinear([0, 1], [0, perKwh]);
}

/** The spine's bar: the remainder in clay (filled where it needs a look), unread energy set apart by a dotted edge. */
export function DifferenceBar({ unexplainedKwh, dataGapKwh, mostShortKwh, mostOverKwh, look, width, height }: DifferenceBarProps) {
  const zero = width * 0.68;
  const length = spineScale(mostShortKwh, mostOverKwh, zero, width);
  const remainder = length(Math.abs(unexplainedKwh));
  const unread = length(dataGapKwh);
  return (
    <svg viewBox={`0 0 ${width} ${height}`} width={width} height={height} aria-hidden="true">
      <line x1={zero} x2={zero} y1={0} y2={height} stroke="var(--rule-strong)" />
      <rect
        x={unexplainedKwh > 0 ? zero - remainder : zero}
        width={remainder}
        y={height / 2 - 6}
        height={12}
        fill={look ? "var(--clay)" : "none"}
        fillOpacity={0.9}
        stroke="var(--clay)"
      />
      {unread > 0.5 && (
        <rect
          x={zero - (unexplainedKwh > 0 ? remainder : 0) - unread}
          width={unread}
          y={height / 2 - 6}
          height={12}
          fill="var(--paper)"
          stroke="var(--ink-soft)"
          strokeDasharray="2 2"
        />
      )}
    </svg>
  );
}
