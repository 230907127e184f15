import { type ArcPoint, YEAR_BANDS } from "@/core/geometry";
import { type ShadedSky, SKY_STEPS } from "@/core/shading";
import { type SkyFrame, skyToPx } from "./sky-frame";

interface Props {
  readonly frame: SkyFrame;
  /** The sun's ways on the twenty-first of each month, January first, from one midnight to the next. */
  readonly arcs: readonly { readonly points: readonly ArcPoint[] }[];
  readonly sky: ShadedSky;
  /** What a cell says when it is pointed at. */
  readonly sayCell: (band: number, step: number) => string;
}

/** The year's sun as bands: pale where it shines on the modules, darker the more energy is lost there, against the strongest sun of the year. */
export function SkyBands({ frame, arcs, sky, sayCell }: Props) {
  const most = sky.openKwhM2.reduce((a, b) => Math.max(a, b), 1e-9);
  const cells = [];
  for (let band = 0; band < YEAR_BANDS; band++) {
    const [low, high] = [arcs[(band + 11) % 12]!.points, arcs[band]!.points];
    const pace = (low.length - 1) / SKY_STEPS;
    for (let step = 0; step < SKY_STEPS; step++) {
      const open = sky.openKwhM2[band * SKY_STEPS + step]!;
      if (open <= 0) continue;
      const [from, to] = [step * pace, (step + 1) * pace];
      const corners = [low[from]!, low[to]!, high[to]!, high[from]!].map(({ azimuthDeg, elevationDeg }) =>
        skyToPx(frame, azimuthDeg, Math.max(0, elevationDeg)),
      );
      // A cell across the sheet's edge would be drawn over the whole of it.
      const across = corners.map(({ x }) => x);
      if (Math.max(...across) - Math.min(...across) > frame.width / 2) continue;
      const lost = sky.lostKwhM2[band * SKY_STEPS + step]! / most;
      const points = corners.map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`).join(" ");
      cells.push(
        <g key={`${band}/${step}`}>
          <title>{sayCell(band, step)}</title>
          <polygon points={points} fill="var(--owed)" fillOpacity={0.35 + 0.65 * (open / most)} stroke="none" />
          {lost > 0 && <polygon points={points} fill="var(--account-shading)" fillOpacity={0.05 + 0.95 * lost} stroke="none" />}
        </g>,
      );
    }
  }
  return <g data-testid="sky-bands">{cells}</g>;
}
