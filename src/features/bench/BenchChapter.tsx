"use client";

import type { SiteDocument } from "@/contracts/site";
import { useGeometry } from "@/features/geometry/use-geometry";
import chapter from "@/features/look/Chapter.module.css";
import { ViewTabs } from "@/features/look/ViewTabs";
import { BENCH_VIEWS, type BenchView } from "./bench-views";
import { RoofOrGround } from "./RoofOrGround";
import { RowsBench } from "./RowsBench";
import { TiltPlanner } from "./TiltPlanner";

export interface BenchProps {
  readonly slug: string;
  readonly version: number;
  readonly site: SiteDocument;
  /** Year of the book's weather that is simulated; null: a cloudless year. */
  readonly year: string | null;
}

/** The calculators that the job keeps needing, fed from the book. */
export function BenchChapter({ view, ...props }: BenchProps & { readonly view: BenchView }) {
  const { slug, site, year } = props;
  const { engine, refusal } = useGeometry(slug, year);
  return (
    <div className={chapter.page}>
      <ViewTabs title={site.name} views={BENCH_VIEWS} view={view} href={(id) => `/books/${slug}/bench?view=${id}`} />
      {refusal && <p className={chapter.clay}>{`${refusal.message} ${refusal.help}`}</p>}
      {view === "tilt" && <TiltPlanner {...props} engine={engine} />}
      {view === "rows" && <RowsBench {...props} />}
      {view === "ground" && <RoofOrGround {...props} engine={engine} />}
    </div>
  );
}
