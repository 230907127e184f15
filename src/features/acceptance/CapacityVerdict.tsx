"use client";

import type { CapacityAnswer } from "@/contracts/acceptance";
import { LEAST_DAYS, LEAST_INTERVALS } from "@/core/capacity";
import { Figure } from "@/features/kit/figures/Figure";
import { sayCapacity } from "@/wording/acceptance";
import { number, percent } from "@/wording/format";
import { capacityRatioWorking, capacityWorking } from "@/wording/workings/acceptance-working";

interface CapacityVerdictProps {
  readonly report: CapacityAnswer;
  readonly isModel: boolean;
  readonly passFrac: number;
}

/** What a capacity test says, in a sentence whose figures open their workings. */
export function CapacityVerdict({ report, isModel, passFrac }: CapacityVerdictProps) {
  const { outcome, metered, ratio, halfFrac } = report;
  if (outcome === "too-few") return sayCapacity.tooFew(report, LEAST_INTERVALS, LEAST_DAYS);
  if (outcome === "not-separable" || !metered || ratio === null) return sayCapacity.notSeparable;
  return (
    <>
      {sayCapacity.at(report)}
      <Figure name="capacity" working={() => capacityWorking(report, "metered")}>
        {number(metered.capacityKw, metered.capacityKw < 100 ? 2 : 1)}
      </Figure>
      {" kW, "}
      <Figure name="capacity-ratio" working={() => capacityRatioWorking(report, isModel)}>
        {`${percent(ratio)} ± ${number((halfFrac ?? 0) * 100, 1)}`}
      </Figure>
      {sayCapacity.ofTarget(isModel)}
      {sayCapacity[outcome](passFrac)}
    </>
  );
}
