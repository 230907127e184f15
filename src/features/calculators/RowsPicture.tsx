"use client";
import { RowsSide } from "@/charts";
import type { RowSpacing, Rows, SlidSnow } from "@/core/geometry";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { DataTable } from "@/features/kit/table/DataTable";
import { inReadersUnit, number, readersUnit } from "@/wording/format";
import { say } from "@/wording/screens/calculators";
import { snowWorking } from "@/wording/workings/rows-working";

export const hour = (h: number): string => `${Math.floor(h)}:${h % 1 ? "30" : "00"}`;

interface RowsPictureProps {
  readonly slug: string | null;
  readonly spacing: RowSpacing | null;
  readonly rows: Rows;
  readonly edgeM: number;
  readonly snowM: number;
  readonly slid: SlidSnow;
  readonly sunDeg: number;
}

/** The rows from the side, with the sun of the hour. */
export function RowsPicture({ slug, spacing, rows, edgeM, snowM, slid, sunDeg }: RowsPictureProps) {
  return (
    <ChartFrame
      title={say.twoRowsFromTheSide}
      note={say.theLowestRayOfTheWindow}
      fileName={`${slug ?? "bench"}-rows`}
      height={250}
      summary={spacing ? say.rowsMetresApart(number(spacing.pitchM, 2)) : say.noSpacingKeepsThisWindowFree}
      table={() => [
        ["row_height_m", "gap_m", "pitch_m"],
        [spacing?.rowHeightM ?? "", spacing?.gapM ?? "", spacing?.pitchM ?? ""],
      ]}
    >
      {(width) =>
        spacing === null ? (
          <text x={width / 2} y={120} textAnchor="middle" fill="var(--ink-soft)">
            {say.theSunIsDownForA}
          </text>
        ) : (
          <RowsSide
            width={width}
            height={250}
            tiltDeg={rows.tiltDeg}
            slantM={rows.slantLengthM}
            gapM={Math.max(spacing.gapM, 0.02)}
            edgeM={edgeM}
            heap={snowM > 0 ? slid : null}
            sunDeg={sunDeg}
          />
        )
      }
    </ChartFrame>
  );
}

interface SlidSnowTableProps {
  readonly slid: SlidSnow;
  readonly rows: Rows;
  readonly snowM: number;
}

/** Room that slid snow asks for. */
export function SlidSnowTable({ slid, rows, snowM }: SlidSnowTableProps) {
  return (
    <DataTable
      className={chapter.table}
      rows={
        [
          [say.heapAtTheFootOfA, slid.heapM],
          [say.howFarItReachesInFront, slid.reachM],
          [say.lowerEdgeThatStaysFree, slid.edgeM],
          [say.slotBetweenAnUpperAndA, slid.slotM],
        ] as const
      }
      rowKey={([name]) => name}
      columns={[
        { key: "snow-sliding-off", head: say.snowSlidingOff, cell: ([name]) => name },
        {
          key: "m",
          head: readersUnit("m"),
          cell: ([name, metres]) => (
            <>
              <Figure plain working={() => snowWorking(name, metres, rows, snowM)}>
                {number(inReadersUnit(metres, "m")[0], 2)}
              </Figure>
            </>
          ),
        },
      ]}
    />
  );
}
