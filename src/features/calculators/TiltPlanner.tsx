"use client";

import type { Remote } from "comlink";
import { type Dispatch, type SetStateAction, useState } from "react";
import { TiltYear } from "@/charts";
import type { SiteDocument } from "@/contracts/site";
import type { Rack } from "@/core/site";
import { planWorth, type TiltGoal, type TiltPlan, type TiltStep } from "@/core/tilt";
import type { GeometryEngine } from "@/features/data/geometry/geometry.worker";
import type { RefusedCall } from "@/features/data/refused-call";
import { useSiteSave } from "@/features/data/use-site-save";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { number, percent } from "@/wording/format";
import { dayName, monthOfYear } from "@/wording/geometry";
import { say } from "@/wording/screens/calculators";
import { planWorking } from "@/wording/workings/bench-workings";
import styles from "./Bench.module.css";
import type { BenchSun } from "./bench-sun";
import type { BenchProps } from "./bench-views";
import { ChangeTable } from "./ChangeTable";
import { ClaimCheck } from "./ClaimCheck";
import { MethodTable } from "./MethodTable";
import { MomentCheck } from "./MomentCheck";
import { PlannerInputs, POSITION_NAMES } from "./PlannerInputs";
import { usePlanner } from "./use-planner";

/** When to tilt a rack and how far: rules of thumb beside the site's own simulation. */
export function TiltPlanner({
  slug,
  version,
  site,
  sun,
  nowUtcMs,
  engine,
}: BenchProps & { readonly engine: Remote<GeometryEngine> | null }) {
  const [arrayId, setArrayId] = useState((site.arrays.find((array) => array.tiltSchedule.length > 0) ?? site.arrays[0]!).id);
  const [goal, setGoal] = useState<TiltGoal>("energy");
  const [positions, setPositions] = useState("2");
  const { run: save, refusal } = useSiteSave(slug ?? "");
  const array = site.arrays.find((candidate) => candidate.id === arrayId) ?? site.arrays[0]!;
  const [rack, setRack] = useState<Rack | null>(array.rack);
  const { report, progress, cancelled, cancel, again } = usePlanner(engine, { site, arrayId: array.id, goal });
  const plans = report?.plans ?? [];
  const asIs = plans.find((plan) => plan.method === "as-is");
  const fixed = plans.find((plan) => plan.method === "simulated" && plan.positions === 1);
  const best = plans.find((plan) => plan.method === "simulated" && plan.positions === Number(positions));
  const asIsSteps: readonly TiltStep[] = array.tiltSchedule.length > 0 ? array.tiltSchedule : [{ from: "01-01", tiltDeg: array.tiltDeg }];
  const use = (): void => {
    if (!best) return;
    const seasons = best.positions === 1 ? [] : best.steps;
    const arrays = site.arrays.map((each) =>
      each.id === array.id ? { ...each, tiltDeg: best.steps[0]!.tiltDeg, tiltSchedule: seasons, rack } : each,
    );
    save({ version, site: { ...site, arrays } });
  };
  return (
    <>
      {best && fixed && asIs ? (
        <PlannerSentence best={best} fixed={fixed} asIs={asIs} goal={goal} sun={sun} name={array.name || array.id} />
      ) : (
        <p className={chapter.verdict} data-lines="2">
          {cancelled ? say.stoppedBeforeTheEnd : say.runningAtEveryTiltOf(sun.name, array.name || array.id)}
        </p>
      )}
      {sun.kind === "cloudless" && <p className={chapter.soft}>{say.thisBookHasNoWeatherYet}</p>}
      {report && report.days < 360 && <p className={chapter.clay}>{say.weatherOfDaysOfTheYear(report.days)}</p>}
      <PlannerInputs
        site={site}
        array={array}
        setArrayId={setArrayId}
        setRack={setRack}
        goal={goal}
        setGoal={setGoal}
        positions={positions}
        setPositions={setPositions}
        progress={progress}
        cancel={cancel}
        cancelled={cancelled}
        again={again}
      />
      <div className={styles.planner} data-awaited={plans.length === 0 || undefined}>
        <MethodTable plans={plans} fixed={fixed} asIs={asIs} goal={goal} positions={Number(positions)} sun={sun} />
        <BestPlan best={best} slug={slug} array={array} asIsSteps={asIsSteps} rack={rack} setRack={setRack} use={use} refusal={refusal} />
      </div>
      <div className={styles.checks}>
        <MomentCheck site={site} array={array} nowUtcMs={nowUtcMs} />
        <ClaimCheck best={best} fixed={fixed} asIs={asIs} positions={POSITION_NAMES[Number(positions)]!} />
      </div>
    </>
  );
}

interface BestPlanProps {
  readonly best: TiltPlan | undefined;
  readonly slug: string | null;
  readonly array: SiteDocument["arrays"][number];
  readonly asIsSteps: readonly TiltStep[];
  readonly rack: Rack | null;
  readonly setRack: Dispatch<SetStateAction<Rack | null>>;
  readonly use: () => void;
  readonly refusal: RefusedCall | null;
}

/** The best plan over the year, and the rack that it asks for. */
function BestPlan({ best, slug, array, asIsSteps, rack, setRack, use, refusal }: BestPlanProps) {
  return (
    <div>
      <ChartFrame
        title={say.tiltThroughTheYear}
        note={best ? say.fullSimulatedBestDashedAsThe : ""}
        fileName={`${slug ?? "bench"}-${array.id}-tilts`}
        height={196}
        summary={say.tiltThroughTheYearSimulatedBest}
        table={() => [
          ["plan", "from", "tilt_deg"],
          ...asIsSteps.map((step) => [say.asItIs, step.from, step.tiltDeg]),
          ...(best?.steps ?? []).map((step) => ["simulated", step.from, step.tiltDeg]),
        ]}
      >
        {(width) => (
          <TiltYear
            width={width}
            height={196}
            lines={[
              { label: say.asTheRackIs, steps: asIsSteps, strong: false },
              ...(best ? [{ label: "simulated best", steps: best.steps, strong: true }] : []),
            ]}
          />
        )}
      </ChartFrame>
      {best && <ChangeTable slug={slug} arrayId={array.id} plan={best} rack={rack} setRack={setRack} use={use} />}
      {refusal && <Refused refusal={refusal} />}
    </div>
  );
}

interface SentenceProps {
  readonly best: TiltPlan;
  readonly fixed: TiltPlan;
  readonly asIs: TiltPlan;
  readonly goal: TiltGoal;
  readonly sun: BenchSun;
  readonly name: string;
}

const UNIT: Readonly<Record<TiltGoal, string>> = {
  energy: say.kwhAYear,
  money: say.kwhAYear,
  winter: say.kwhInTheWinterHalf,
  flattest: say.kwhADayInTheDarkest,
};

function PlannerSentence({ best, fixed, asIs, goal, sun, name }: SentenceProps) {
  const [value, still, current] = [best, fixed, asIs].map((plan) => planWorth(plan, goal)) as [number, number, number];
  const decimals = goal === "flattest" ? 1 : 0;
  const share = (of: number): string => `${value >= of ? "+" : ""}${percent(value / of - 1)}`;
  const isStill = best.positions > 1 && best.steps.length <= 1;
  const tilts =
    best.steps.length > 4 || isStill
      ? null
      : best.steps.map((step) => `${number(step.tiltDeg, 1)}°${best.positions === 1 ? "" : ` from ${dayName(step.from)}`}`).join(", ");
  return (
    <p className={chapter.verdict} data-lines="2" data-testid="planner-sentence">
      {sun.opening}
      {best.positions === 1 || isStill ? say.theBestFixedTiltOf(name) : `${name} tilted ${POSITION_NAMES[best.positions]}`} brings{" "}
      <Figure working={() => planWorking(best, sun, goal)}>{number(value, decimals)}</Figure>{" "}
      {say.againstTheRackAsItIs(UNIT[goal], share(current))}
      {best.positions > 1 && !isStill && say.againstTheBestFixedTilt(share(still))}. {goal === "energy" && gainsMostIn(best, asIs)}{" "}
      {tilts && `${tilts}.`}
      {isStill && say.noTiltBringsMore(`${number(best.steps[0]?.tiltDeg ?? 0, 1)}°`)}
      {goal === "money" && " With one price all year, most money is most energy; seasons of price come with the Money chapter's tariffs."}
    </p>
  );
}

/** The month that a plan helps most, against the rack as it is. */
function gainsMostIn(best: TiltPlan, asIs: TiltPlan): string {
  const gains = best.monthsKwh.map((kwh, m) => kwh - asIs.monthsKwh[m]!);
  const most = Math.max(...gains);
  return most >= 1 ? say.mostOfItIn(monthOfYear(gains.indexOf(most)), number(most)) : "";
}
