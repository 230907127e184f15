import { Button, Select, TextInput } from "@mantine/core";
import { pricePerKwh } from "@/core/money";
import { bearingOf, deciduousThrough } from "@/core/shading";
import { arrayPlace, type PvArray, type SiteObstacle } from "@/core/site";
import type { ShadeReport } from "@/core/yield";
import { AzimuthField } from "@/features/kit/angles/AngleField";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number, percent } from "@/wording/format";
import { thickestSeason } from "@/wording/geometry";
import { say } from "@/wording/screens/site";
import { obstacleWorking } from "@/wording/workings/site-workings";
import { OpenNumber } from "./fields";
import { obstaclePath, obstaclesInPlan, placeObstacle } from "./in-plan";
import { KIND_NAMES } from "./kind-names";
import styles from "./Shade.module.css";
import { removeAt, setAt } from "./site-values";
import type { SiteDraft } from "./use-site-draft";

interface Props {
  readonly draft: SiteDraft;
  readonly report: ShadeReport | null;
  readonly array: PvArray;
  readonly selected: string | null;
  readonly select: (id: string) => void;
  readonly year: string | null;
}

/** Obstacles by numbers, and what each costs a year. */
export function ObstacleList({ draft, report, array, selected, select, year }: Props) {
  const things = obstaclesInPlan(draft.site);
  return (
    <section className={chapter.section}>
      <h2>Obstacles</h2>
      {things.length === 0 && <p className={chapter.soft}>{say.noneYetATreeToBegin}</p>}
      {things.map((thing) => (
        <div
          key={thing.id}
          className={styles.obstacle}
          data-selected={thing.id === selected || undefined}
          onFocusCapture={() => select(thing.id)}
        >
          <ObstacleFields draft={draft} thing={thing} array={array} />
          <CostLine draft={draft} thing={thing} report={report} year={year} />
        </div>
      ))}
      {things.some((thing) => thing.kind === "tree") && <p className={chapter.caution}>{say.fellingAndLoppingNearArraysRoofs}</p>}
    </section>
  );
}

function ObstacleFields({ draft, thing, array }: { draft: SiteDraft; thing: SiteObstacle; array: PvArray }) {
  const { form, site } = draft;
  const path = obstaclePath(site, thing.id);
  const seen = bearingOf(arrayPlace(site, array.id), thing);
  const goTo = (bearingDeg: number, distanceM: number): void => {
    const place = arrayPlace(site, array.id);
    const angle = (bearingDeg * Math.PI) / 180;
    placeObstacle(form, site, thing.id, {
      eastM: Number((place.eastM + distanceM * Math.sin(angle)).toFixed(2)),
      northM: Number((place.northM + distanceM * Math.cos(angle)).toFixed(2)),
    });
  };
  const flat = thing.kind === "wall" || thing.kind === "building" || thing.kind === "row" || thing.kind === "box";
  return (
    <div className={styles.fields}>
      <TextInput label={KIND_NAMES[thing.kind]} {...form.getInputProps(`${path}.name`)} />
      <NumberField label="Top" unit="m" {...form.getInputProps(`${path}.heightM`)} />
      <NumberField label={thing.kind === "tree" ? "Crown, m" : "Width, m"} {...form.getInputProps(`${path}.widthM`)} />
      {thing.kind === "tree" && (
        <OpenNumber form={form} label="Trunk, m" path={`${path}.baseM`} placeholder={number(thing.heightM * 0.25, 1)} />
      )}
      {flat && (
        <AzimuthField
          label="Faces, °"
          plain
          place={site.place}
          value={thing.facingDeg ?? ""}
          placeholder="0"
          onChange={(value) => setAt(form, `${path}.facingDeg`, value === "" ? null : value)}
        />
      )}
      {thing.kind === "building" && (
        <OpenNumber form={form} label="Depth, m" path={`${path}.depthM`} placeholder={number(thing.widthM, 1)} />
      )}
      <AzimuthField
        label="Bearing, °"
        plain
        place={site.place}
        value={Number(seen.azimuthDeg.toFixed(1))}
        onChange={(value) => typeof value === "number" && goTo(value, seen.distanceM)}
      />
      <NumberField
        label="Away"
        unit="m"
        decimalScale={2}
        value={Number(seen.distanceM.toFixed(2))}
        onChange={(value) => typeof value === "number" && value > 0 && goTo(seen.azimuthDeg, value)}
      />
      {thing.kind === "tree" && <Leaves draft={draft} thing={thing} path={path} />}
    </div>
  );
}

/** A tree's leaves: evergreen, or bare for the winter of its hemisphere. */
function Leaves({ draft, thing, path }: { draft: SiteDraft; thing: SiteObstacle; path: string }) {
  const south = draft.site.place.latitudeDeg < 0;
  const season = south ? deciduousThrough(11, 4) : deciduousThrough(5, 10);
  const through = thing.lightThroughMonthlyFrac;
  const value = through === null ? "evergreen" : JSON.stringify(through) === JSON.stringify(season) ? "deciduous" : "own";
  return (
    <Select
      label="Leaves"
      data={[
        { value: "evergreen", label: "evergreen" },
        { value: "deciduous", label: south ? say.novemberToApril : say.mayToOctober },
        ...(value === "own" ? [{ value: "own", label: say.asInTheFile }] : []),
      ]}
      value={value}
      allowDeselect={false}
      onChange={(next) => next !== "own" && setAt(draft.form, `${path}.lightThroughMonthlyFrac`, next === "deciduous" ? season : null)}
    />
  );
}

function CostLine({
  draft,
  thing,
  report,
  year,
}: {
  draft: SiteDraft;
  thing: SiteObstacle;
  report: ShadeReport | null;
  year: string | null;
}) {
  const { form, site } = draft;
  const months = report?.costs.find((cost) => cost.id === thing.id)?.monthsKwh;
  const name = thing.name || thing.kind;
  const remove = (): void => {
    const path = obstaclePath(site, thing.id);
    const cut = path.lastIndexOf(".");
    removeAt(form, path.slice(0, cut), Number(path.slice(cut + 1)));
  };
  return (
    <div className={styles.cost}>
      <span>{months ? <Cost name={name} months={months} site={site} open={report.openKwh} year={year} /> : "…"}</span>
      <Button variant="subtle" size="compact-xs" onClick={remove} aria-label={`Remove ${name}`}>
        Remove
      </Button>
    </div>
  );
}

function Cost({
  name,
  months,
  site,
  open,
  year,
}: {
  name: string;
  months: readonly number[];
  site: SiteDraft["site"];
  open: readonly number[];
  year: string | null;
}) {
  const kwh = months.reduce((a, b) => a + b, 0);
  if (kwh < 0.5) return <>{say.costsNextToNothing(name)}</>;
  const season = thickestSeason(months);
  const price = pricePerKwh(site);
  return (
    <>
      {name} costs{" "}
      <Figure
        working={() =>
          obstacleWorking(
            name,
            months,
            open.reduce((a, b) => a + b, 0),
            year,
          )
        }
      >
        <b>{number(kwh)} kWh</b>
      </Figure>
      {say.aYearOfItIn(price === null ? "" : ` (${number(kwh * price, 2)} ${site.currency})`, percent(season.shareFrac, 0), season.name)}
    </>
  );
}
