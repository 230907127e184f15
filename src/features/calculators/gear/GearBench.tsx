"use client";

import { useState } from "react";
import type { BatteryKind, GearStanding, GearYear, HeatLimit } from "@/core/gear";
import { pricePerKwh } from "@/core/money";
import { nameplateW, siteAcRatedW } from "@/core/site";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { measure, number, percent } from "@/wording/format";
import { BATTERY_NAMES, GEAR_PLACE_NAMES, say } from "@/wording/screens/calculators-gear";
import { gearWorking } from "@/wording/workings/gear-working";
import bench from "../Bench.module.css";
import { BenchNote } from "../BenchNote";
import type { BenchSun } from "../bench-sun";
import type { BenchProps } from "../bench-views";
import { workingPoint } from "../cable/working-point";
import { useBenchAnswer, useBenchEngine } from "../use-bench-engine";
import { typedNumber, useNumberFields } from "../use-number-fields";
import { type GearFields, LimitFields, StandingFields, USUAL_LIMIT } from "./GearFields";
import { GearMonths, GearTable } from "./GearTables";
import { bestMend, cableLossKwh, type GearOption, optionsFor, SEEN_KWH, SEEN_YEARS, type Terms } from "./gear-options";

/** Inverter, charger and batteries where they stand: their heat through the year, what it costs, and what mending or moving them brings against its cable. */
export function GearBench({ slug, site, sun, nowUtcMs }: BenchProps) {
  const [standing, setStanding] = useState<GearStanding>({ place: "metal-shed", colour: "middle", isShaded: false, airing: "closed" });
  const [battery, setBattery] = useState<BatteryKind | "none">(site.battery?.kind ?? "none");
  const [inverter] = site.inverters;
  const derating = inverter?.heatDerating;
  const fields = useNumberFields({
    fullToC: derating?.fromC ?? USUAL_LIMIT.fullToC,
    perKPercent: derating ? derating.perKFrac * 100 : USUAL_LIMIT.perKPercent,
    ratedYears: "",
    batteryCost: "",
    moreM: 15,
    mm2: 10,
  });
  const limit = limitOf(site, fields);
  const options = optionsFor(standing);
  const { years, cableKwh } = useGearYears(slug, site, sun, options, limit, {
    lengthM: fields.numberOf("moreM", 0),
    areaMm2: fields.numberOf("mm2", 10),
  });
  const terms: Terms = { price: pricePerKwh(site), battery: batteryOf(battery, fields), cableKwh };
  const sentence = years ? verdict(standing, years, options, terms, limit) : "";
  return (
    <>
      <GearVerdict standing={standing} now={years?.[0] ?? null} limit={limit} sun={sun} sentence={sentence} />
      <div className={bench.rowsGrid}>
        <div>
          <StandingFields standing={standing} setStanding={setStanding} />
          <LimitFields
            fields={fields}
            battery={battery}
            setBattery={setBattery}
            currency={site.currency}
            isKnown={derating !== null && derating !== undefined}
          />
          <p className={chapter.caution}>{say.lithiumAndLead}</p>
          <p className={chapter.caution}>{say.fireAndAir}</p>
          <BenchNote
            slug={slug}
            nowUtcMs={nowUtcMs}
            words={years?.[0] ? `${GEAR_PLACE_NAMES[standing.place]}: ${measure(years[0].hottestC, "°C")} ${sentence}` : ""}
          />
        </div>
        <div>
          <GearTable options={options} years={years} terms={terms} limit={limit} sun={sun} currency={site.currency} />
          {years?.[0] && <GearMonths year={years[0]} fullToC={limit.fullToC} />}
          <p className={chapter.soft}>{say.howItIsReckoned}</p>
        </div>
      </div>
    </>
  );
}

const limitOf = (site: BenchProps["site"], fields: GearFields): HeatLimit => ({
  ratedW: siteAcRatedW(site) || nameplateW(site),
  fullToC: fields.numberOf("fullToC", USUAL_LIMIT.fullToC),
  perKFrac: fields.numberOf("perKPercent", USUAL_LIMIT.perKPercent) / 100,
});

const batteryOf = (kind: BatteryKind | "none", { typed }: GearFields): Terms["battery"] =>
  kind === "none" ? null : { kind, years: typedNumber(typed.ratedYears, null), cost: typedNumber(typed.batteryCost, null) };

interface GearVerdictProps {
  readonly standing: GearStanding;
  readonly now: GearYear | null;
  readonly limit: HeatLimit;
  readonly sun: BenchSun;
  readonly sentence: string;
}

const GearVerdict = ({ standing, now, limit, sun, sentence }: GearVerdictProps) => (
  <p className={chapter.verdict} data-lines="3" data-testid="gear-sentence">
    {now === null ? (
      say.runningTheYear
    ) : (
      <>
        {sun.opening}
        <Figure working={() => gearWorking(standing, now, limit, sun)}>{measure(now.hottestC, "°C")}</Figure> {sentence}
      </>
    )}
  </p>
);

/** A year in each of the places, and what more cable would lose in it. */
function useGearYears(
  slug: string | null,
  site: BenchProps["site"],
  sun: BenchSun,
  options: readonly GearOption[],
  limit: HeatLimit,
  more: { readonly lengthM: number; readonly areaMm2: number },
): { readonly years: readonly GearYear[] | null; readonly cableKwh: number } {
  const { engine } = useBenchEngine(slug, site, sun);
  const efficiencyFrac = site.inverters[0]?.ratedEfficiencyFrac ?? CHARGER_FRAC;
  const asked = { site, efficiencyFrac, standings: options.map((option) => option.standing), limit };
  const found = useBenchAnswer(engine, asked, (remote, q) => remote.gear(q.site, q.efficiencyFrac, q.standings, q.limit));
  const own = { site, fullW: nameplateW(site) };
  const squaredHours = useBenchAnswer(engine, own, (remote, q) => remote.squared(q.site, q.fullW));
  const point = workingPoint(site, site.arrays[0]!, "array", null);
  return { years: found?.length === options.length ? found : null, cableKwh: cableLossKwh({ ...more, ...point }, squaredHours) };
}

/** A charge controller gives off about so much of what passes it. */
const CHARGER_FRAC = 0.96;

/** The heat where it stands, what it takes, and the best of the ways to mend it. */
function verdict(
  standing: GearStanding,
  years: readonly GearYear[],
  options: readonly GearOption[],
  terms: Terms,
  limit: HeatLimit,
): string {
  const [now] = years as readonly [GearYear];
  const words = [
    say.atTheMostIn(GEAR_PLACE_NAMES[standing.place], number(now.hotHours), measure(limit.fullToC, "°C")),
    now.deratedKwh >= SEEN_KWH ? say.heatHoldsBack(number(now.deratedKwh)) : say.heatHoldsNothingBack,
  ];
  if (terms.battery) {
    const { kind, years: rated } = terms.battery;
    words.push(
      rated === null
        ? say.batteryLastsAShare(BATTERY_NAMES[kind], percent(now.lifeFrac[kind], 0))
        : say.batteryLasts(BATTERY_NAMES[kind], number(rated * now.lifeFrac[kind], 1), number(rated)),
    );
  }
  const mend = bestMend(years, options, terms);
  if (mend)
    words.push(
      say.bestMended(
        mend.option.name,
        mend.savedKwh >= SEEN_KWH ? say.kwhMore(number(mend.savedKwh)) : "",
        mend.moreYears >= SEEN_YEARS ? say.yearsMore(number(mend.moreYears, 1)) : "",
      ),
    );
  return words.join(" ");
}
