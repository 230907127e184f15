import { Button, Select } from "@mantine/core";
import { useState } from "react";
import { shadeRules, siteObstacleSchema } from "@/contracts/site";
import { shadeRuleOf } from "@/core/shading";
import type { ObstacleKind } from "@/core/site";
import type { ShadeReport } from "@/core/yield";
import { Figure } from "@/features/figures/Figure";
import { number, percent } from "@/features/figures/format";
import { useEngineAnswer, useGeometry } from "@/features/geometry/use-geometry";
import { thickestSeason } from "@/features/geometry/words";
import chapter from "@/features/look/Chapter.module.css";
import { obstacleWorking } from "@/features/workings/site-workings";
import { HorizonTable } from "./HorizonTable";
import { obstaclesInPlan } from "./in-plan";
import { ObstacleList } from "./ObstacleList";
import { RULE_NAMES } from "./rule-names";
import styles from "./Shade.module.css";
import { ShadePictures } from "./ShadePictures";
import { RuleTable, ShadedHoursTable } from "./ShadeTables";
import { CloudlessNote, type SiteViewProps } from "./view-parts";

const USUAL: Readonly<Record<Exclude<ObstacleKind, "box">, { heightM: number; widthM: number; name: string; button: string }>> = {
  tree: { heightM: 8, widthM: 5, name: "Tree", button: "Tree" },
  pole: { heightM: 8, widthM: 0.3, name: "Pole", button: "Pole" },
  wall: { heightM: 3, widthM: 10, name: "Wall", button: "Wall" },
  building: { heightM: 6, widthM: 10, name: "Building", button: "Building" },
  row: { heightM: 2, widthM: 15, name: "Row in front", button: "Row of modules" },
};

/** What stands between the sun and each array: placed by hand, seen in the sky and on the ground, and what it costs. */
export function ShadeView({ slug, draft, year }: SiteViewProps) {
  const { form, site } = draft;
  const [arrayId, setArrayId] = useState(site.arrays[0]!.id);
  const [selected, setSelected] = useState<string | null>(obstaclesInPlan(site)[0]?.id ?? null);
  const { engine, refusal } = useGeometry(slug, year);
  const report = useEngineAnswer(engine, site, (remote, asked) => remote.shade(asked));
  const array = site.arrays.find((candidate) => candidate.id === arrayId) ?? site.arrays[0]!;
  const add = (kind: Exclude<ObstacleKind, "box">): void => {
    const { button: _, name, ...size } = USUAL[kind];
    const taken = new Set(obstaclesInPlan(site).map((obstacle) => obstacle.id));
    const n = [...Array(200).keys()].find((k) => k > 0 && !taken.has(`${kind}-${k}`)) ?? 199;
    const toward = site.place.latitudeDeg < 0 ? 1 : -1;
    const made = siteObstacleSchema.parse({
      id: `${kind}-${n}`,
      kind,
      ...size,
      name: n === 1 ? name : `${name} ${n}`,
      eastM: array.eastM ?? 0,
      northM: (array.northM ?? 0) + toward * 12,
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
          aria-label={`Shaded cells of ${array.name || array.id}`}
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
          onChange={(rule) => form.setFieldValue(`arrays.${site.arrays.indexOf(array)}.shadeRule` as never, rule || null)}
        />
        <span className={styles.addLabel}>Put in the plan:</span>
        {(Object.keys(USUAL) as (keyof typeof USUAL)[]).map((kind) => (
          <Button key={kind} size="compact-sm" variant="default" onClick={() => add(kind)}>
            {USUAL[kind].button}
          </Button>
        ))}
      </div>
      <ShadePictures slug={slug} draft={draft} array={array} selected={selected} select={setSelected} />
      <div className={styles.below}>
        <div>
          <ObstacleList draft={draft} report={report} array={array} selected={selected} select={setSelected} year={year} />
          <HorizonTable draft={draft} array={array} report={report} />
        </div>
        <div>
          <ShadedHoursTable slug={slug} site={site} array={array} report={report} />
          <RuleTable site={site} report={report} year={year} />
        </div>
      </div>
    </>
  );
}

const total = (months: readonly number[]): number => months.reduce((a, b) => a + b, 0);

function ShadeSentence({ report, draft, year }: { report: ShadeReport | null; draft: SiteViewProps["draft"]; year: string | null }) {
  const { site } = draft;
  const things = obstaclesInPlan(site);
  if (!report) return <p className={chapter.verdict}>Following the sun through {year ?? "a cloudless year"} …</p>;
  const lost = total(report.openKwh) - total(report.expectedKwh);
  if (report.costs.length === 0) {
    return (
      <p className={chapter.verdict}>
        Nothing stands in the sun's way yet. Put what you see around the arrays in the plan, or draw the horizon.
      </p>
    );
  }
  const costs = report.costs.map(({ id, monthsKwh }) => ({
    name: things.find((thing) => thing.id === id)?.name || (id === "horizon" ? "the horizon" : id),
    monthsKwh,
  }));
  const worst = costs.reduce((a, b) => (total(b.monthsKwh) > total(a.monthsKwh) ? b : a));
  const season = thickestSeason(worst.monthsKwh);
  return (
    <p className={chapter.verdict}>
      Shade costs {number(lost)} kWh of {year ?? "a cloudless year"}, {percent(lost / total(report.openKwh))} of what would reach the meter
      without it.{" "}
      {total(worst.monthsKwh) >= 0.5 && (
        <>
          {worst.name} costs most:{" "}
          <Figure working={() => obstacleWorking(worst.name, worst.monthsKwh, total(report.openKwh), year)}>
            {number(total(worst.monthsKwh))} kWh
          </Figure>{" "}
          a year,{" "}
          <span className={chapter.clay}>
            {percent(season.shareFrac, 0)} of it in {season.name}
          </span>
          .
        </>
      )}
    </p>
  );
}
