"use client";

import { Button, Progress, SegmentedControl, Select } from "@mantine/core";
import type { Dispatch, SetStateAction } from "react";
import type { SiteDocument } from "@/contracts/site";
import type { Rack } from "@/core/site";
import { TILT_GOALS, type TiltGoal } from "@/core/tilt";
import { say } from "@/wording/screens/calculators";
import styles from "./Bench.module.css";
import type { BenchProps } from "./bench-views";

export const GOAL_NAMES: Readonly<Record<TiltGoal, string>> = {
  energy: "most energy",
  winter: say.mostInTheWinterHalf,
  money: "most money",
  flattest: "flattest year",
};

export const POSITION_NAMES: Readonly<Record<number, string>> = {
  1: "fixed",
  2: say.twiceAYear,
  4: say.fourTimesAYear,
  12: say.twelveTimesAYear,
};

interface PlannerInputsProps {
  readonly site: BenchProps["site"];
  readonly array: BenchProps["site"]["arrays"][number];
  readonly setArrayId: Dispatch<SetStateAction<string>>;
  readonly setRack: Dispatch<SetStateAction<Rack | null>>;
  readonly goal: TiltGoal;
  readonly setGoal: (goal: TiltGoal) => void;
  readonly positions: string;
  readonly setPositions: Dispatch<SetStateAction<string>>;
  readonly progress: number | null;
  readonly cancel: () => void;
  readonly cancelled: boolean;
  readonly again: () => void;
}

/** What is sought. */
export function PlannerInputs({
  site,
  array,
  setArrayId,
  setRack,
  goal,
  setGoal,
  positions,
  setPositions,
  progress,
  cancel,
  cancelled,
  again,
}: PlannerInputsProps) {
  return (
    <div className={styles.tools}>
      {site.arrays.length > 1 && <PlannedArray site={site} array={array} setArrayId={setArrayId} setRack={setRack} />}
      <SegmentedControl
        size="xs"
        data={TILT_GOALS.map((value) => ({ value, label: GOAL_NAMES[value] }))}
        value={goal}
        onChange={(next) => setGoal(next)}
        aria-label="Goal"
      />
      <SegmentedControl
        size="xs"
        data={[1, 2, 4, 12].map((n) => ({ value: String(n), label: POSITION_NAMES[n]! }))}
        value={positions}
        onChange={setPositions}
        aria-label="Positions"
      />
      <SearchProgress progress={progress} cancel={cancel} cancelled={cancelled} again={again} />
    </div>
  );
}

interface PlannedArrayProps {
  readonly site: SiteDocument;
  readonly array: SiteDocument["arrays"][number];
  readonly setArrayId: Dispatch<SetStateAction<string>>;
  readonly setRack: Dispatch<SetStateAction<Rack | null>>;
}

function PlannedArray({ site, array, setArrayId, setRack }: PlannedArrayProps) {
  return (
    <Select
      aria-label="Array"
      data={site.arrays.map((each) => ({ value: each.id, label: each.name || each.id }))}
      value={array.id}
      allowDeselect={false}
      onChange={(id) => {
        setArrayId(id ?? array.id);
        setRack(site.arrays.find((each) => each.id === id)?.rack ?? null);
      }}
    />
  );
}

interface SearchProgressProps {
  readonly progress: number | null;
  readonly cancel: () => void;
  readonly cancelled: boolean;
  readonly again: () => void;
}

function SearchProgress({ progress, cancel, cancelled, again }: SearchProgressProps) {
  return (
    <span className={styles.progress}>
      {progress !== null && (
        <>
          <Progress value={progress * 100} size="sm" color="ink" aria-label={say.progressOfThePlanner} />
          <Button size="compact-xs" variant="subtle" onClick={cancel}>
            Stop
          </Button>
        </>
      )}
      {cancelled && (
        <Button size="compact-xs" variant="default" onClick={again}>
          Run again
        </Button>
      )}
    </span>
  );
}
