import { Button, Select } from "@mantine/core";
import { type Dispatch, type SetStateAction, useMemo, useState } from "react";
import { type SiteDocument, shadeRules, siteObstacleSchema } from "@/contracts/site";
import { equatorAzimuthDeg } from "@/core/geometry";
import { shadedYear, shadeRuleOf } from "@/core/shading";
import { arrayPlace, type ObstacleKind } from "@/core/site";
import { HORIZON_ID, type ShadeReport, sumOf } from "@/core/yield";
import { useEngineAnswer, useGeometry } from "@/features/data/geometry/use-geometry";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number, percent } from "@/wording/format";
import { thickestSeason } from "@/wording/geometry";
import { say } from "@/wording/screens/site";
import { obstacleWorking } from "@/wording/workings/site-workings";
import { freeId } from "./free-id";
import { HorizonTable } from "./HorizonTable";
import { obstaclesInPlan } from "./in-plan";
import { KIND_NAMES } from "./kind-names";
import { ObstacleList } from "./ObstacleList";
import { RULE_NAMES } from "./rule-names";
import styles from "./Shade.module.css";
import { ShadePictures } from "./ShadePictures";
import { RuleTable, ShadedHoursTable } from "./ShadeTables";
import { type SiteForm, setAt } from "./site-values";
import { CloudlessNote, type SiteViewProps } from "./view-parts";

/** What a new obstacle measures until somebody says better. */
const USUAL: Readonly<Record<Exclude<ObstacleKind, "box">, { readonly heightM: number; readonly widthM: number }>> = {
  tree: { heightM: 8, widthM: 5 },
  pole: { heightM: 8, widthM: 0.3 },
  wall: { heightM: 3, widthM: 10 },
  building: { heightM: 6, widthM: 10 },
  row: { heightM: 2, widthM: 15 },
};
/** A year without a leap day, whose sun every year's is. */
const ANY_YEAR = 2025;
/** How far before its array a new obstacle stands. */
const BEFORE_M = 12;

/** What stands between the sun and each array: placed by hand, seen in the sky and on the ground, and what it costs. */
export function ShadeView({ slug, draft, year }: SiteViewProps) {
  const { form, site } = draft;
  const [arrayId, setArrayId] = useState(site.arrays[0]!.id);
  const [selected, setSelected] = useState<string | null>(obstaclesInPlan(site)[0]?.id ?? null);
  const { engine, refusal } = useGeometry(slug, year);
  const report = useEngineAnswer(engine, site, (remote, asked) => remote.shade(asked));
  const array = site.arrays.find((candidate) => candidate.id === arrayId) ?? site.arrays[0]!;
  const { hours, sky } = useMemo(() => shadedYear(site, array.id, ANY_YEAR), [site, array.id]);
  const add = (kind: Exclude<ObstacleKind, "box">): void => {
    const id = freeId(
      kind,
      obstaclesInPlan(site).map((obstacle) => obstacle.id),
    );
    const place = arrayPlace(site, array.id);
    const toward = equatorAzimuthDeg(site.place.latitudeDeg) === 0 ? 1 : -1;
    const made = siteObstacleSchema.parse({
      id,
      kind,
      ...USUAL[kind],
      name: id.endsWith("-1") ? KIND_NAMES[kind] : `${KIND_NAMES[kind]} ${id.slice(kind.length + 1)}`,
      eastM: Number(place.eastM.toFixed(2)),
      northM: Number((place.northM + toward * BEFORE_M).toFixed(2)),
      facingDeg: kind === "tree" || kind === "pole" ? null : toward > 0 ? 180 : 0,
    });
    form.insertListItem("obstacles", made);
    setSelected(made.id);
  };
  return (
    <>
      <ShadeSentence report={report} draft={draft} year={year} />
      {refusal && <p className={chapter.clay}>{`${refusal.message} ${refusal.help}`}</p>}
      <CloudlessNote slug={slug} year={year} />
      <ShadeActions site={site} array={array} setArrayId={setArrayId} form={form} add={add} />
      <ShadePictures slug={slug} draft={draft} array={array} shaded={sky} selected={selected} select={setSelected} />
      <div className={styles.below}>
        <div>
          <ObstacleList draft={draft} report={report} array={array} selected={selected} select={setSelected} year={year} />
          <HorizonTable draft={draft} array={array} report={report} year={year} />
        </div>
        <div>
          <ShadedHoursTable hours={hours} array={array} report={report} year={year} />
          <RuleTable site={site} report={report} year={year} />
        </div>
      </div>
    </>
  );
}

interface ShadeActionsProps {
  readonly site: SiteDocument;
  readonly array: SiteDocument["arrays"][number];
  readonly setArrayId: Dispatch<SetStateAction<string>>;
  readonly form: SiteForm;
  readonly add: (kind: Exclude<ObstacleKind, "box">) => void;
}

function ShadeActions({ site, array, setArrayId, form, add }: ShadeActionsProps) {
  return (
    <div className={styles.tools}>
      {site.arrays.length > 1 && (
        <Select
          aria-label="Seen from"
          data={site.arrays.map((candidate) => ({ value: candidate.id, label: `seen from ${candidate.name || candidate.id}` }))}
          value={array.id}
          allowDeselect={false}
          onChange={(id) => setArrayId(id ?? array.id)}
        />
      )}
      <Select
        aria-label={say.shadedCellsOf(array.name || array.id)}
        data={[
          {
            value: "",
            label: `as built: ${RULE_NAMES[shadeRuleOf({ ...site, arrays: [{ ...array, shadeRule: null }] }, { ...array, shadeRule: null })]}`,
          },
          ...shadeRules.map((rule) => ({ value: rule, label: RULE_NAMES[rule] })),
        ]}
        value={array.shadeRule ?? ""}
        allowDeselect={false}
        w={300}
        onChange={(rule) => setAt(form, `arrays.${site.arrays.indexOf(array)}.shadeRule`, rule || null)}
      />
      <span className={styles.addLabel}>{say.putInThePlan}</span>
      {(Object.keys(USUAL) as (keyof typeof USUAL)[]).map((kind) => (
        <Button key={kind} size="compact-sm" variant="default" onClick={() => add(kind)}>
          {KIND_NAMES[kind]}
        </Button>
      ))}
    </div>
  );
}

function ShadeSentence({ report, draft, year }: { report: ShadeReport | null; draft: SiteViewProps["draft"]; year: string | null }) {
  const { site } = draft;
  const things = obstaclesInPlan(site);
  if (!report)
    return (
      <p className={chapter.verdict} data-lines="2">
        {say.followingTheSunThrough(year ?? say.aCloudlessYear)}
      </p>
    );
  const lostByMonth = report.openKwh.map((kwh, m) => kwh - report.expectedKwh[m]!);
  const lost = sumOf(lostByMonth);
  if (report.costs.length === 0) {
    return (
      <p className={chapter.verdict} data-lines="2">
        {say.nothingStandsInTheSunsWay}
      </p>
    );
  }
  const costs = report.costs.map(({ id, monthsKwh }) => ({
    name: things.find((thing) => thing.id === id)?.name || (id === HORIZON_ID ? "the horizon" : id),
    monthsKwh,
  }));
  const worst = costs.reduce((a, b) => (sumOf(b.monthsKwh) > sumOf(a.monthsKwh) ? b : a));
  const season = thickestSeason(worst.monthsKwh);
  return (
    <p className={chapter.verdict} data-lines="2">
      Shade costs <Figure working={() => obstacleWorking("all shade", lostByMonth, sumOf(report.openKwh), year)}>{number(lost)} kWh</Figure>
      {say.ofOfWhatWouldReachThe(year ?? say.aCloudlessYear, percent(lost / sumOf(report.openKwh)))}
      {sumOf(worst.monthsKwh) >= 0.5 && (
        <>
          {worst.name} costs most:{" "}
          <Figure working={() => obstacleWorking(worst.name, worst.monthsKwh, sumOf(report.openKwh), year)}>
            {number(sumOf(worst.monthsKwh))} kWh
          </Figure>{" "}
          a year, <span className={chapter.clay}>{say.ofItIn(percent(season.shareFrac, 0), season.name)}</span>.
        </>
      )}
    </p>
  );
}
