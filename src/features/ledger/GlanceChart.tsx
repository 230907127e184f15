"use client";

import { useRouter } from "next/navigation";
import { type MouseEvent, useMemo, useState } from "react";
import { HEAT_BOUNDS, YearGlance } from "@/charts";
import type { Glance } from "@/contracts/ledger";
import { dateName, monthName, number } from "@/features/figures/format";
import { ChartFrame } from "@/features/save/ChartFrame";
import styles from "./LedgerSpread.module.css";

const HEIGHT = 104;

/** Hours with less than this share of the year's best hour are dusk: their ratio says nothing. */
const DUSK_FRAC = 0.03;

interface HourRatios {
  readonly ratios: readonly (number | null)[];
  readonly firstHour: number;
  readonly lastHour: number;
}

function hourRatios(glance: Glance): HourRatios {
  const best = Math.max(1e-9, ...glance.expectedKwh.map((kwh) => kwh ?? 0));
  let firstHour = 23;
  let lastHour = 0;
  const ratios = glance.expectedKwh.map((expected, cell) => {
    const metered = glance.meteredKwh[cell];
    if (expected === null || expected < DUSK_FRAC * best) return null;
    firstHour = Math.min(firstHour, cell % 24);
    lastHour = Math.max(lastHour, cell % 24);
    return metered === null || metered === undefined ? null : metered / expected;
  });
  return { ratios, firstHour: Math.min(firstHour, lastHour), lastHour };
}

/** The year at a glance: each column a day, each row an hour, coloured by paid of owed. A day opens on a click. */
export function GlanceChart({ glance, year, slug }: { glance: Glance; year: string; slug: string }) {
  const router = useRouter();
  const [under, setUnder] = useState<string | null>(null);
  const hours = useMemo(() => hourRatios(glance), [glance]);
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
    const [owed, paid] = [glance.expectedKwh[at.cell] ?? null, glance.meteredKwh[at.cell] ?? null];
    setUnder(
      `${dateName(at.day)}, ${at.hour} h: owed ${owed === null ? "–" : number(owed, 2)}, paid ${paid === null ? "–" : number(paid, 2)} kWh`,
    );
  };
  const note = (
    <>
      <span>{under ?? "each column a day, each row an hour: paid of owed; a click opens the day"}</span>
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
  return (
    <ChartFrame
      title="The year at a glance"
      note={note}
      fileName={`${slug}-${year}-hours`}
      height={HEIGHT + 16}
      summary={`Metered over expected energy of every hour of ${year}`}
      table={() => [
        ["day", "hour", "expected_kwh", "metered_kwh"],
        ...glance.expectedKwh.map((kwh, cell) => [
          glance.days[Math.floor(cell / 24)] ?? "",
          cell % 24,
          kwh,
          glance.meteredKwh[cell] ?? null,
        ]),
      ]}
    >
      {(width) => (
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
            ratios={hours.ratios}
            width={width}
            height={HEIGHT}
            firstHour={hours.firstHour}
            lastHour={hours.lastHour}
          />
          {glance.days.map(
            (day, d) =>
              day.endsWith("-01") && (
                <text key={day} x={(d / glance.days.length) * width + 2} y={HEIGHT + 13} fontSize={12.5} fill="var(--ink-soft)">
                  {monthName(day, "short")}
                </text>
              ),
          )}
        </g>
      )}
    </ChartFrame>
  );
}
