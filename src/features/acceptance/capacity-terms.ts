import type { CapacityQuestion } from "@/contracts/acceptance";

type Typed = number | string;

/** Terms of a capacity test as they stand in their fields: shares in per cent, and what is no number yet as it was typed. */
export interface CapacityTyped {
  readonly from: string;
  readonly to: string;
  /** Null: as the readings allow. */
  readonly averageMinutes: CapacityQuestion["averageMinutes"];
  readonly leastWm2: Typed;
  readonly swingPercent: Typed;
  readonly bandPercent: Typed;
  readonly passPercent: Typed;
  readonly areConditionsGiven: boolean;
  readonly poaWm2: Typed;
  readonly airTempC: Typed;
  readonly windSpeedMs: Typed;
  readonly isTargetAgreed: boolean;
  readonly targetKw: Typed;
}

const inPercent = (share: number): number => Number((share * 100).toFixed(6));

/** The fields of a question. */
export const typedCapacity = (question: CapacityQuestion, period: { readonly from: string; readonly to: string }): CapacityTyped => ({
  from: question.from ?? period.from,
  to: question.to ?? period.to,
  averageMinutes: question.averageMinutes,
  leastWm2: question.leastWm2,
  swingPercent: inPercent(question.swingFrac),
  bandPercent: inPercent(question.bandFrac),
  passPercent: inPercent(question.passFrac),
  areConditionsGiven: question.conditions !== null,
  poaWm2: question.conditions?.poaWm2 ?? "",
  airTempC: question.conditions?.airTempC ?? "",
  windSpeedMs: question.conditions?.windSpeedMs ?? "",
  isTargetAgreed: question.targetKw !== null,
  targetKw: question.targetKw ?? "",
});

const known = (...values: readonly Typed[]): boolean => values.every((value) => typeof value === "number");

/** The question of the fields; null while one of them is no number. */
export function capacityQuestion(typed: CapacityTyped): CapacityQuestion | null {
  const { leastWm2, swingPercent, bandPercent, passPercent, areConditionsGiven, poaWm2, airTempC, windSpeedMs, isTargetAgreed, targetKw } =
    typed;
  if (!known(leastWm2, swingPercent, bandPercent, passPercent)) return null;
  if (areConditionsGiven && !known(poaWm2, airTempC, windSpeedMs)) return null;
  if (isTargetAgreed && !known(targetKw)) return null;
  const share = (value: Typed): number => Number((Number(value) / 100).toFixed(8));
  return {
    kind: "capacity",
    from: typed.from === "" ? null : typed.from,
    to: typed.to === "" ? null : typed.to,
    averageMinutes: typed.averageMinutes,
    leastWm2: Number(leastWm2),
    swingFrac: share(swingPercent),
    bandFrac: share(bandPercent),
    passFrac: share(passPercent),
    conditions: areConditionsGiven ? { poaWm2: Number(poaWm2), airTempC: Number(airTempC), windSpeedMs: Number(windSpeedMs) } : null,
    targetKw: isTargetAgreed ? Number(targetKw) : null,
  };
}
