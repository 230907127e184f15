"use client";

import { useGeometry } from "@/features/geometry/use-geometry";
import chapter from "@/features/look/Chapter.module.css";
import { ViewTabs } from "@/features/look/ViewTabs";
import { BENCH_VIEWS, type BenchProps, type BenchView } from "./bench-views";
import { RoofOrGround } from "./RoofOrGround";
import { RowsBench } from "./RowsBench";
import { TiltPlanner } from "./TiltPlanner";

/** The calculators that the job keeps needing, fed from the book. */
export function BenchChapter({ view, ...props }: BenchProps & { readonly view: BenchView }) {
  const { slug, site, year } = props;
  const { engine, refusal, inPlane } = useGeometry(slug, year);
  return (
    <div className={chapter.page}>
      <ViewTabs title={site.name} views={BENCH_VIEWS} view={view} href={(id) => `/books/${slug}/bench?view=${id}`} />
      {refusal && <p className={chapter.clay}>{`${refusal.message} ${refusal.help}`}</p>}
      {inPlane && view !== "rows" && <InPlaneNote />}
      {!inPlane && view === "tilt" && <TiltPlanner {...props} engine={engine} />}
      {view === "rows" && <RowsBench {...props} />}
      {!inPlane && view === "ground" && <RoofOrGround {...props} engine={engine} />}
    </div>
  );
}

/** Some weather can't answer what these benches ask. */
function InPlaneNote() {
  return (
    <p className={chapter.verdict}>
      Light was measured in the plane of the modules, so nothing can be said of other planes. Bring hours of <code>ghi_w_m2</code>, an EPW
      year, or twelve monthly means in the Readings chapter.
    </p>
  );
}
