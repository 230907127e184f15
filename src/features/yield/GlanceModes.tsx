"use client";

import { SegmentedControl } from "@mantine/core";
import { useMemo, useState } from "react";
import { HEAT_BOUNDS, SHARE_BOUNDS, YearGlance } from "@/charts";
import type { Glance } from "@/contracts/ledger";
import { type GlanceMode, glanceHours, glanceTable } from "@/features/kit/glance/hours";
import { MonthTicks } from "@/features/kit/glance/MonthTicks";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { say } from "@/wording/screens/yield";

const HEIGHT = 92;

/** The year at a glance by hour: expected, metered, or one over the other. */
export function GlanceModes({ glance, year, slug }: { glance: Glance; year: string; slug: string }) {
  const [mode, setMode] = useState<GlanceMode>("expected");
  const { values, firstHour, lastHour } = useMemo(() => glanceHours(glance, mode), [glance, mode]);
  return (
    <ChartFrame
      title={say.theYearAtAGlance}
      note={
        <SegmentedControl
          size="xs"
          value={mode}
          onChange={setMode}
          aria-label={say.whatTheHoursShow}
          data={[
            { value: "expected", label: "expected" },
            { value: "metered", label: "metered" },
            { value: "ratio", label: say.performanceIndex },
          ]}
        />
      }
      fileName={`${slug}-${year}-${mode}-hours`}
      height={HEIGHT + 16}
      summary={say.everyHourOf(year, mode === "ratio" ? say.meteredOverExpected : `${mode} energy`)}
      table={() => glanceTable(glance)}
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
          <MonthTicks days={glance.days} width={width} y={HEIGHT + 13} />
        </>
      )}
    </ChartFrame>
  );
}
