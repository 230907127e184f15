"use client";

import { useRouter } from "next/navigation";
import { type Dispatch, type MouseEvent, type SetStateAction, useMemo, useState } from "react";
import { HEAT_BOUNDS, YearGlance } from "@/charts";
import type { Glance } from "@/contracts/ledger";
import { type GlanceHours, glanceHours, glanceTable } from "@/features/kit/glance/hours";
import { MonthTicks } from "@/features/kit/glance/MonthTicks";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { dateName, number } from "@/wording/format";
import { say } from "@/wording/screens/ledger";
import styles from "./LedgerSpread.module.css";

const HEIGHT = 104;

/** The year at a glance: each column a day, each row an hour, coloured by performance index. A day opens on a click. */
export function GlanceChart({ glance, year, slug }: { glance: Glance; year: string; slug: string }) {
  const router = useRouter();
  const [under, setUnder] = useState<string | null>(null);
  const hours = useMemo(() => glanceHours(glance, "ratio"), [glance]);
  const cellAt = (event: MouseEvent<SVGGElement>): { day: string; hour: number; cell: number } | null => {
    const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
    if (!box) return null;
    const column = Math.floor(((event.clientX - box.left) / box.width) * glance.days.length);
    const hour = hours.lastHour - Math.floor(((event.clientY - box.top) / HEIGHT) * (hours.lastHour - hours.firstHour + 1));
    const day = glance.days[column];
    return day === undefined ? null : { day, hour, cell: column * 24 + hour };
  };
  const describe = (event: MouseEvent<SVGGElement>) => {
    const at = cellAt(event);
    if (!at) return setUnder(null);
    const [expected, metered] = [glance.expectedKwh[at.cell] ?? null, glance.meteredKwh[at.cell] ?? null];
    setUnder(
      say.hExpectedMeteredKwh(
        dateName(at.day),
        at.hour,
        expected === null ? "–" : number(expected, 2),
        metered === null ? "–" : number(metered, 2),
      ),
    );
  };
  const note = <UnderPointer under={under} />;
  return (
    <ChartFrame
      title={say.theYearAtAGlance}
      note={note}
      fileName={`${slug}-${year}-hours`}
      height={HEIGHT + 16}
      summary={say.meteredOverExpectedEnergyOfEvery(year)}
      table={() => glanceTable(glance)}
    >
      {(width) => (
        <GlanceCells
          describe={describe}
          setUnder={setUnder}
          cellAt={cellAt}
          router={router}
          slug={slug}
          glance={glance}
          hours={hours}
          width={width}
        />
      )}
    </ChartFrame>
  );
}

interface UnderPointerProps {
  readonly under: string | null;
}

/** What the hour under the pointer gave. */
function UnderPointer({ under }: UnderPointerProps) {
  return (
    <>
      <span>{under ?? say.eachColumnADayEachRow}</span>
      <span className={styles.scaleKey}>
        0
        <span aria-hidden="true">
          {[...HEAT_BOUNDS, 1.3].map((bound, k) => (
            <i key={bound} style={{ background: `var(--heat-${k})` }} />
          ))}
        </span>
        over 112&#8201;%
      </span>
    </>
  );
}

interface GlanceCellsProps {
  readonly describe: (event: MouseEvent<SVGGElement>) => void;
  readonly setUnder: Dispatch<SetStateAction<string | null>>;
  readonly cellAt: (event: MouseEvent<SVGGElement>) => { day: string; hour: number; cell: number } | null;
  readonly router: ReturnType<typeof useRouter>;
  readonly slug: string;
  readonly glance: { days: string[]; expectedKwh: (number | null)[]; meteredKwh: (number | null)[] };
  readonly hours: GlanceHours;
  readonly width: number;
}

function GlanceCells({ describe, setUnder, cellAt, router, slug, glance, hours, width }: GlanceCellsProps) {
  return (
    <g
      onMouseMove={describe}
      onMouseLeave={() => setUnder(null)}
      onClick={(event) => {
        const at = cellAt(event);
        if (at) router.push(`/books/${slug}/ledger/${at.day.slice(0, 7)}?day=${at.day}`);
      }}
      style={{ cursor: "pointer" }}
    >
      <YearGlance
        days={glance.days}
        ratios={hours.values}
        width={width}
        height={HEIGHT}
        firstHour={hours.firstHour}
        lastHour={hours.lastHour}
      />
      <MonthTicks days={glance.days} width={width} y={HEIGHT + 13} />
    </g>
  );
}
