import { SegmentedControl, Slider } from "@mantine/core";
import { useElementSize } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { type DrawnModule, ModulesPlan, modulesPlanHeight, PEER_BOUNDS } from "@/charts";
import { moduleDaySchema, type Neighbours } from "@/contracts/neighbours";
import { arrayLayout, type Site } from "@/core/site";
import { ask } from "@/features/data/ask";
import { DateField } from "@/features/kit/fields/DateField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { percent } from "@/wording/format";
import { say } from "@/wording/screens/ledger-modules";
import styles from "./Modules.module.css";
import { firstPainted, PAINTED_KINDS, type Painted, paintedAs, paintedName, recordDays, shareIn } from "./painted";

interface PaintedPlanProps {
  readonly slug: string;
  readonly site: Site;
  readonly neighbours: Neighbours;
  readonly year: string;
  readonly chosen: string | null;
  readonly choose: (id: string) => void;
}

/** An array's grid: as it is drawn elsewhere, and as large as the names that lie in it. */
export function gridOf(site: Site, arrayId: string, neighbours: Neighbours): { readonly rows: number; readonly columns: number } {
  const array = site.arrays.find(({ id }) => id === arrayId)!;
  const own = neighbours.modules.filter((module) => module.array === arrayId);
  const layout = arrayLayout(site, array);
  return {
    rows: Math.max(layout.rows, ...own.map(({ row }) => row + 1)),
    columns: Math.max(layout.columns, ...own.map(({ column }) => column + 1)),
  };
}

/** All modules as they lie, painted for a time. */
export function PaintedPlan({ slug, site, neighbours, year, chosen, choose }: PaintedPlanProps) {
  const [painted, paint] = useState<Painted>(() => firstPainted(neighbours, year));
  const date = painted.kind === "day" ? painted.date : null;
  const { data: day = null, isError } = useQuery({
    queryKey: ["module-day", slug, date],
    enabled: date !== null,
    queryFn: ({ signal }) => ask(moduleDaySchema, `/api/books/${slug}/modules?date=${date}`, { signal }),
  });
  const name = paintedName(painted, neighbours, site.place.timeZone);
  const odd = new Set(neighbours.odd.map(({ id }) => id));
  const arrays = site.arrays.filter(({ id }) => neighbours.modules.some((module) => module.array === id));
  const drawn = (array: string): DrawnModule[] =>
    neighbours.modules
      .filter((module) => module.array === array)
      .map((module) => ({ ...module, share: shareIn(module, neighbours, painted, day), isOdd: odd.has(module.id) }));
  const { ref, width: room } = useElementSize<HTMLDivElement>();
  const planPx = Math.min(PLAN_PX, room || PLAN_PX);
  const height = arrays.reduce((sum, { id }) => {
    const { rows, columns } = gridOf(site, id, neighbours);
    return sum + modulesPlanHeight(rows, columns, planPx);
  }, 0);
  return (
    <div ref={ref}>
      <PaintControls neighbours={neighbours} painted={painted} paint={paint} />
      {isError && <p className={chapter.clay}>{say.dayOutside(...recordDays(neighbours, site.place.timeZone))}</p>}
      <ChartFrame
        title={say.planOf(name)}
        note={<Scale />}
        fileName={`${slug}-modules`}
        height={Math.ceil(height)}
        interactive
        summary={say.planSummary(neighbours.modules.length, name)}
        table={() => [
          ["module", "array", "row", "column", "share_of_neighbours"],
          ...arrays.flatMap(({ id }) => drawn(id).map((module) => [module.id, id, module.row + 1, module.column + 1, module.share])),
        ]}
      >
        {() => (
          <ArrayPlans arrays={arrays} site={site} neighbours={neighbours} drawn={drawn} planPx={planPx} chosen={chosen} choose={choose} />
        )}
      </ChartFrame>
    </div>
  );
}

interface ArrayPlansProps extends Pick<PaintedPlanProps, "site" | "neighbours" | "chosen" | "choose"> {
  readonly arrays: Site["arrays"];
  readonly drawn: (array: string) => DrawnModule[];
  readonly planPx: number;
}

/** Arrays under each other, each with its name. */
function ArrayPlans({ arrays, site, neighbours, drawn, planPx, chosen, choose }: ArrayPlansProps) {
  let top = 0;
  return arrays.map(({ id, name }) => {
    const { rows, columns } = gridOf(site, id, neighbours);
    const at = top;
    top += modulesPlanHeight(rows, columns, planPx);
    return (
      <g key={id} transform={`translate(0, ${at})`}>
        <ModulesPlan
          name={name || id}
          rows={rows}
          columns={columns}
          modules={drawn(id)}
          width={planPx}
          chosen={chosen}
          choose={choose}
          label={(module) => say.moduleTitle(module.id, module.share === null ? say.missing : percent(module.share, 1))}
        />
      </g>
    );
  });
}

/** The plan's width on a desk; on narrower pages its modules are smaller. */
const PLAN_PX = 1060;

const Scale = () => (
  <span className={styles.scale}>
    <span>{say.planNote}</span>
    <span className={styles.steps}>
      {percent(PEER_BOUNDS[0], 0)}
      {PEER_BOUNDS.map((bound, k) => (
        <i key={bound} style={{ background: `var(--heat-${k})` }} />
      ))}
      {percent(PEER_BOUNDS.at(-1)!, 0)}
    </span>
  </span>
);

interface PaintControlsProps {
  readonly neighbours: Neighbours;
  readonly painted: Painted;
  readonly paint: (painted: Painted) => void;
}

function PaintControls({ neighbours, painted, paint }: PaintControlsProps) {
  const { years, months } = neighbours;
  const kinds = PAINTED_KINDS.filter((kind) => kind !== "year" || years.length > 1);
  return (
    <div className={styles.controls}>
      <SegmentedControl
        size="xs"
        aria-label={say.painted}
        value={painted.kind}
        onChange={(kind) => paint(paintedAs(kind, neighbours))}
        data={kinds.map((kind) => ({ value: kind, label: kind === "hour" ? say.hourOfTheDay : say[kind] }))}
      />
      {painted.kind === "year" && (
        <SegmentedControl
          size="xs"
          aria-label={say.year}
          value={painted.key}
          onChange={(key) => paint({ kind: "year", key })}
          data={[...years]}
        />
      )}
      {painted.kind === "month" && (
        <Steps
          label={say.monthToPaint}
          count={months.length}
          at={months.indexOf(painted.key)}
          pick={(k) => paint({ kind: "month", key: months[k]! })}
        />
      )}
      {painted.kind === "hour" && (
        <Steps label={say.hourToPaint} count={24} at={painted.hour} pick={(hour) => paint({ kind: "hour", hour })} />
      )}
      {painted.kind === "day" && <DayControls painted={painted} paint={paint} />}
    </div>
  );
}

function DayControls({
  painted,
  paint,
}: {
  readonly painted: Extract<Painted, { kind: "day" }>;
  readonly paint: PaintControlsProps["paint"];
}) {
  return (
    <>
      <DateField quiet label={say.dayToPaint} value={painted.date} onChange={(date) => date !== "" && paint({ ...painted, date })} />
      <SegmentedControl
        size="xs"
        aria-label={say.hourToPaint}
        value={painted.hour === null ? "all" : "one"}
        onChange={(which) => paint({ ...painted, hour: which === "all" ? null : 12 })}
        data={[
          { value: "all", label: say.allHours },
          { value: "one", label: say.hour },
        ]}
      />
      {painted.hour !== null && <Steps label={say.hourToPaint} count={24} at={painted.hour} pick={(hour) => paint({ ...painted, hour })} />}
    </>
  );
}

interface StepsProps {
  readonly label: string;
  readonly count: number;
  readonly at: number;
  readonly pick: (k: number) => void;
}

const Steps = ({ label, count, at, pick }: StepsProps) => (
  <Slider
    className={styles.steps}
    thumbLabel={label}
    label={null}
    min={0}
    max={count - 1}
    step={1}
    value={at}
    onChange={pick}
    size="sm"
    w={180}
  />
);
