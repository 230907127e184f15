"use client";

import { SegmentedControl } from "@mantine/core";
import { useMemo, useState } from "react";
import { HEAT_BOUNDS, SHARE_BOUNDS, YearGlance } from "@/charts";
import type { Glance } from "@/contracts/ledger";
import { monthName } from "@/features/figures/format";
import { ChartFrame } from "@/features/save/ChartFrame";
import styles from "./Yield.module.css";

type Mode = "expected" | "metered" | "ratio";

const HEIGHT = 92;
const DUSK_FRAC = 0.03;

/** The year at a glance by hour: expected, metered, or one over the other. */
export function GlanceModes({ glance, year, slug }: { glance: Glance; year: string; slug: string }) {
  const [mode, setMode] = useState<Mode>("expected");
  const { values, firstHour, lastHour } = useMemo(() => hoursOf(glance, mode), [glance, mode]);
  return (
    <ChartFrame
      title="The year at a glance"
      note={
        <SegmentedControl
          size="xs"
          value={mode}
          onChange={setMode}
          aria-label="What the hours show"
          data={[
            { value: "expected", label: "expected" },
            { value: "metered", label: "metered" },
            { value: "ratio", label: "paid of owed" },
          ]}
        />
      }
      fileName={`${slug}-${year}-${mode}-hours`}
      height={HEIGHT + 16}
      summary={`Every hour of ${year}: ${mode === "ratio" ? "metered over expected" : `${mode} energy`}`}
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
        <>
          <YearGlance
            days={glance.days}
            ratios={values}
            width={width}
            height={HEIGHT}
            firstHour={firstHour}
            lastHour={lastHour}
            bounds={mode === "ratio" ? HEAT_BOUNDS : SHARE_BOUNDS}
            palette={mode === "ratio" ? "heat" : "sun"}
          />
          {glance.days.map(
            (day, d) =>
              day.endsWith("-01") && (
                <text key={day} className={styles.tick} x={(d / glance.days.length) * width + 2} y={HEIGHT + 13}>
                  {monthName(day, "short")}
                </text>
              ),
          )}
        </>
      )}
    </ChartFrame>
  );
}

/** Shares of the best hour, or metered over expected outside dusk, and the hours that hold any. */
function hoursOf({ expectedKwh, meteredKwh }: Glance, mode: Mode) {
  const best = Math.max(1e-9, ...expectedKwh.map((kwh) => kwh ?? 0));
  let firstHour = 23;
  let lastHour = 0;
  const values = expectedKwh.map((expected, cell) => {
    if (expected === null || expected < DUSK_FRAC * best) return null;
    firstHour = Math.min(firstHour, cell % 24);
    lastHour = Math.max(lastHour, cell % 24);
    const metered = meteredKwh[cell] ?? null;
    if (mode === "expected") return expected / best;
    if (metered === null) return null;
    return mode === "metered" ? metered / best : metered / expected;
  });
  return { values, firstHour: Math.min(firstHour, lastHour), lastHour };
}
