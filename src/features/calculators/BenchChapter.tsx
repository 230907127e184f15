"use client";

import { useGeometry } from "@/features/data/geometry/use-geometry";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ViewTabs } from "@/features/kit/look/ViewTabs";
import { say } from "@/wording/screens/calculators";
import { BenchFooter } from "./BenchFooter";
import { BenchTools } from "./BenchTools";
import { BENCH_VIEWS, type BenchProps, type BenchView, GEOMETRY_VIEWS } from "./bench-views";
import { CableBench } from "./cable/CableBench";
import { LoadsBench } from "./loads/LoadsBench";
import { MixedBench } from "./mixed/MixedBench";
import { ModulesBench } from "./modules/ModulesBench";
import { RoofOrGround } from "./RoofOrGround";
import { RowsBench } from "./RowsBench";
import { SnowBench } from "./snow/SnowBench";
import { TiltPlanner } from "./TiltPlanner";

/** The calculators that the job keeps needing, fed from the book. */
export function BenchChapter({ view, ...props }: BenchProps & { readonly view: BenchView | null }) {
  return (
    <div className={chapter.page}>
      <ViewTabs title={props.site.name} views={BENCH_VIEWS} view={view ?? ""} href={(id) => `/books/${props.slug}/bench?view=${id}`} />
      {view === null && (
        <>
          <p className={chapter.verdict}>{say.aQuestionATool}</p>
          <BenchTools slug={props.slug} />
        </>
      )}
      {view !== null && GEOMETRY_VIEWS.includes(view) && <GeometryBench view={view} {...props} />}
      {view === "rows" && <RowsBench {...props} />}
      {view === "mixed" && <MixedBench {...props} />}
      {view === "cable" && <CableBench {...props} />}
      {view === "modules" && <ModulesBench {...props} />}
      {view === "snow" && <SnowBench {...props} />}
      {view === "loads" && <LoadsBench {...props} />}
      {view !== null && (
        <BenchFooter
          {...props}
          bench={BENCH_VIEWS.find(({ id }) => id === view)!.name}
          keeps={GEOMETRY_VIEWS.includes(view) || view === "rows"}
        />
      )}
    </div>
  );
}

/** Benches that ask what other planes would see. */
function GeometryBench({ view, ...props }: BenchProps & { readonly view: BenchView }) {
  const { engine, refusal, inPlane } = useGeometry(props.slug, props.year);
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
