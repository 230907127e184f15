"use client";

import type { SiteDocument } from "@/contracts/site";
import { nameplateW, siteAcRatedW, siteOn } from "@/core/site";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ViewTabs } from "@/features/kit/look/ViewTabs";
import { Refused } from "@/features/kit/problems/ProblemList";
import { number } from "@/wording/format";
import { coordinate, facing } from "@/wording/geometry";
import { say } from "@/wording/screens/site";
import { AssumedLine } from "./AssumedLine";
import { ConflictPanel, OtherDrafts } from "./ConflictPanel";
import { HistoryView } from "./HistoryView";
import { KeptInverterLines } from "./KeptInverterLines";
import { LossesView } from "./LossesView";
import { PlaceView } from "./PlaceView";
import { SaveBar } from "./SaveBar";
import { ShadeView } from "./ShadeView";
import { SITE_VIEWS, type SiteView } from "./site-views";
import { useSiteDraft } from "./use-site-draft";
import type { SiteViewProps } from "./view-parts";
import { WiringView } from "./WiringView";

export interface SiteChapterProps {
  readonly slug: string;
  readonly version: number;
  readonly site: SiteDocument;
  readonly view: SiteView;
  readonly timeZones: readonly string[];
  /** Years of the book's weather; without any, pictures and effects are told for a cloudless year. */
  readonly years: readonly string[];
  readonly today: string;
}

/** Where the site stands, how it faces, what shades it, and what changed: one draft through five views. */
export function SiteChapter({ slug, version, site, view, timeZones, years, today }: SiteChapterProps) {
  const draft = useSiteDraft(slug, version, site);
  const props: SiteViewProps = { slug, draft, year: years.at(-1) ?? null };
  return (
    <form
      className={chapter.page}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        draft.save();
      }}
    >
      <ViewTabs
        title={draft.form.values.name || "Unnamed site"}
        views={SITE_VIEWS}
        view={view}
        href={(id) => `/books/${slug}/site?view=${id}`}
      />
      {view !== "shade" && view !== "history" && <p className={chapter.verdict}>{siteSentence(draft.site)}</p>}
      <AssumedLine form={draft.form} />
      <KeptInverterLines slug={slug} before={siteOn(site, today)} now={siteOn(draft.site, today)} />
      <OtherDrafts draft={draft} />
      {draft.conflict && <ConflictPanel conflict={draft.conflict} draft={draft} />}
      {view === "place" && <PlaceView {...props} timeZones={timeZones} />}
      {view === "wiring" && <WiringView {...props} />}
      {view === "shade" && <ShadeView {...props} />}
      {view === "losses" && <LossesView {...props} />}
      {view === "history" && <HistoryView {...props} today={today} />}
      {draft.refusal && <Refused refusal={draft.refusal} />}
      <SaveBar slug={slug} draft={draft} />
    </form>
  );
}

function siteSentence(site: SiteDocument): string {
  const kwp = nameplateW(site) / 1000;
  const acKw = siteAcRatedW(site) / 1000;
  const modules = site.arrays.reduce((sum, array) => sum + array.count, 0);
  const how = site.arrays.map(
    (array) =>
      `${site.arrays.length > 1 ? `${array.name || array.id} ` : ""}${
        isLevel(array) ? say.lyingFlat : `tilted ${tilts(array)}, ${facing(site.place.latitudeDeg, array.azimuthDeg)}`
      }`,
  );
  const ratio = acKw > 0 ? say.onKwOfInverterDcTo(number(acKw, 1), number(kwp / acKw, 2)) : "";
  const latitude = coordinate(site.place.latitudeDeg, ["north", "south"], 2);
  const since =
    site.revisions.length === 0
      ? ""
      : say.asBuiltUnderHistory(site.revisions.length === 1 ? say.oneChangeSinceStands : say.changesSinceStand(site.revisions.length));
  return say.modulesKwpAt(number(modules), number(kwp, 1), ratio, latitude, how.join("; "), since);
}

/** Level all year: it looks nowhere. */
const isLevel = ({ tiltDeg, tiltSchedule }: SiteDocument["arrays"][number]): boolean => tiltDeg === 0 && tiltSchedule.length === 0;

/** The tilts of an array through the year. */
function tilts({ tiltDeg, tiltSchedule }: SiteDocument["arrays"][number]): string {
  const all = tiltSchedule.length === 0 ? [tiltDeg] : [...new Set(tiltSchedule.map((season) => season.tiltDeg))];
  return all.length > 3
    ? say.waysBySeason(all.length)
    : `${all.map((tilt) => `${number(tilt, Number.isInteger(tilt) ? 0 : 1)}°`).join(" or ")}${all.length > 1 ? " by season" : ""}`;
}
