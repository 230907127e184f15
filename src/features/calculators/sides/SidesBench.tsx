"use client";

import { SegmentedControl } from "@mantine/core";
import { useState } from "react";
import chapter from "@/features/kit/look/Chapter.module.css";
import segments from "@/features/kit/look/segments.module.css";
import { say } from "@/wording/screens/calculators-sides";
import styles from "../Bench.module.css";
import type { BenchProps } from "../bench-views";
import { ChangeTotals } from "./ChangeTotals";
import { TwoMornings } from "./TwoMornings";
import { TwoSides } from "./TwoSides";

type Mode = "sides" | "change" | "mornings";

/** What totals can tell: two sides of a trial, a time before and after a change, or two mornings. */
export function SidesBench(props: BenchProps) {
  const [mode, setMode] = useState<Mode>("sides");
  return (
    <>
      <div className={styles.tools}>
        <SegmentedControl
          classNames={segments}
          size="xs"
          aria-label={say.whatIsCompared}
          data={[
            { value: "sides", label: say.twoSidesAtATime },
            { value: "change", label: say.beforeAndAfter },
            { value: "mornings", label: say.twoMornings },
          ]}
          value={mode}
          onChange={setMode}
        />
      </div>
      {mode === "sides" && <TwoSides {...props} />}
      {mode === "change" && <ChangeTotals {...props} />}
      {mode === "mornings" && <TwoMornings {...props} />}
      <p className={chapter.soft}>{say.whatTotalsCant}</p>
    </>
  );
}
