export { dayKwh, type EnergyTable, energyTable, scheduleKwh, TILT_STEPS } from "./energy-table";
export { byMonth, isWinterHalf, leastMonthKwhPerDay, TILT_GOALS, type TiltGoal } from "./goals";
export { lateCostKwh } from "./late";
export { methodSchedule, POSITIONS, type Positions, polynomialTiltDeg, type TiltMethod } from "./methods";
export { type Moment, momentPowerW, type TriedPlane } from "./moment";
export { bestSchedule, type Wish } from "./optimum";
export { LATE_DAYS, type PlannerReport, plannerReport, planTilts, planWorth, type TiltPlan, winterKwhOf } from "./planner";
export { DAYS, dayOfText, type TiltStep, textOfDay, tiltByDay, withoutStandstill } from "./schedule";
export { type TwoReadings, twoReadings } from "./two-readings";
