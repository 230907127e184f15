"use client";

import type { ReactNode } from "react";
import { useGeometry } from "@/features/data/geometry/use-geometry";
import { useKept } from "@/features/data/use-kept";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ViewTabs } from "@/features/kit/look/ViewTabs";
import { say } from "@/wording/screens/calculators";
import { BenchFooter } from "./BenchFooter";
import { BenchTools } from "./BenchTools";
import { type BenchSun, sunByName, sunNameSchema } from "./bench-sun";
import { BENCH_VIEWS, type BenchProps, type BenchView, GEOMETRY_VIEWS } from "./bench-views";
import { CableBench } from "./cable/CableBench";
import { CostsBench } from "./costs/CostsBench";
import { GearBench } from "./gear/GearBench";
import { LoadsBench } from "./loads/LoadsBench";
import { MixedBench } from "./mixed/MixedBench";
import { ModulesBench } from "./modules/ModulesBench";
import { RoofOrGround } from "./RoofOrGround";
import { RowsBench } from "./RowsBench";
import { SidesBench } from "./sides/SidesBench";
import { SnowBench } from "./snow/SnowBench";
import { TiltPlanner } from "./TiltPlanner";
import { SunTray } from "./tray/SunTray";

interface Props extends Omit<BenchProps, "sun"> {
  readonly view: BenchView | null;
  /** The sun of the book, or of what lies on an open bench; null: the book has no weather, and one is chosen here. */
  readonly sun: BenchSun | null;
  /** What lies on a bench that belongs to no book. */
  readonly tray?: ReactNode;
}

/** The calculators that the job keeps needing, fed from the book, or from what somebody says of a roof. */
export function BenchChapter({ view, sun, tray, ...own }: Props) {
  const [chosen, choose] = useKept(`dusty-ledger:bench-sun:${own.slug ?? ""}`, sunNameSchema, "");
  const props: BenchProps = { ...own, sun: sun ?? sunByName(chosen) };
  const home = own.slug === null ? "/bench" : `/books/${own.slug}/bench`;
  return (
    <div className={chapter.page}>
      <ViewTabs
        title={own.slug === null ? say.theBench : own.site.name}
        views={BENCH_VIEWS}
        view={view ?? ""}
        href={(id) => `${home}?view=${id}`}
      />
      {tray}
      {sun === null && <SunTray name={chosen} onChange={choose} slug={own.slug} />}
      {view === null && (
        <>
          <p className={chapter.verdict}>{own.slug === null ? say.aQuestionAToolWithoutABook : say.aQuestionATool}</p>
          <BenchTools home={home} />
        </>
      )}
      {/* Another roof or sun is another question: what was typed for the last one does not stay behind. What lies on the tray is typed on. */}
      {view !== null && <Tool key={own.slug === null ? questionOf(props) : ""} view={view} {...props} />}
    </div>
  );
}

const questionOf = ({ site: { place, arrays, modules }, sun }: BenchProps): string => JSON.stringify([place, arrays, modules, sun.climate]);

/** One tool, and where its figures come from. */
function Tool({ view, ...props }: BenchProps & { readonly view: BenchView }) {
  return (
    <>
      {GEOMETRY_VIEWS.includes(view) && <GeometryBench view={view} {...props} />}
      {view === "rows" && <RowsBench {...props} />}
      {view === "costs" && <CostsBench {...props} />}
      {view === "mixed" && <MixedBench {...props} />}
      {view === "cable" && <CableBench {...props} />}
      {view === "modules" && <ModulesBench {...props} />}
      {view === "snow" && <SnowBench {...props} />}
      {view === "gear" && <GearBench {...props} />}
      {view === "sides" && <SidesBench {...props} />}
      {view === "loads" && <LoadsBench {...props} />}
      <BenchFooter
        {...props}
        bench={BENCH_VIEWS.find(({ id }) => id === view)!.name}
        keeps={GEOMETRY_VIEWS.includes(view) || view === "rows"}
      />
    </>
  );
}

/** Benches that ask what other planes would see. */
function GeometryBench({ view, ...props }: BenchProps & { readonly view: BenchView }) {
  const { engine, refusal, inPlane } = useGeometry(props.slug, props.sun.year, props.sun.climate);
  if (refusal) return <p className={chapter.clay}>{`${refusal.message} ${refusal.help}`}</p>;
  if (inPlane) return <InPlaneNote />;
  return view === "tilt" ? <TiltPlanner {...props} engine={engine} /> : <RoofOrGround {...props} engine={engine} />;
}

/** Some weather can't answer what these benches ask. */
function InPlaneNote() {
  return (
    <p className={chapter.verdict}>
      {say.lightWasMeasuredInThePlane}
      <code>ghi_w_m2</code>
      {say.anEpwYearOrTwelveMonthly}
    </p>
  );
}
