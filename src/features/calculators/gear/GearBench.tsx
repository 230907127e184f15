"use client";

import { NativeSelect } from "@mantine/core";
import { useState } from "react";
import {
  AIRINGS,
  BATTERY_KINDS,
  type BatteryKind,
  COLOURS,
  GEAR_PLACES,
  type GearStanding,
  type GearYear,
  type HeatLimit,
} from "@/core/gear";
import { pricePerKwh } from "@/core/money";
import { nameplateW, siteAcRatedW } from "@/core/site";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { measure, number, percent } from "@/wording/format";
import { AIRING_NAMES, BATTERY_NAMES, COLOUR_NAMES, GEAR_PLACE_NAMES, say } from "@/wording/screens/calculators-gear";
import { gearWorking } from "@/wording/workings/gear-working";
import bench from "../Bench.module.css";
import { BenchNote } from "../BenchNote";
import type { BenchSun } from "../bench-sun";
import type { BenchProps } from "../bench-views";
import { workingPoint } from "../cable/working-point";
import { useBenchAnswer, useBenchEngine } from "../use-bench-engine";
import { type NumberFields, typedNumber, useNumberFields } from "../use-number-fields";
import { GearMonths, GearTable } from "./GearTables";
import { bestMend, cableLossKwh, type GearOption, optionsFor, type Terms } from "./gear-options";

/** Where nobody knows better: full power to this air, and this share less a kelvin from there. */
const USUAL_LIMIT = { fullToC: 45, perKPercent: 2.5 } as const;
const LIFE_YEARS: Readonly<Record<BatteryKind, number>> = { lead: 8, lithium: 12 };

/** Inverter, charger and batteries where they stand: their heat through the year, what it costs, and what mending or moving them brings against its cable. */
export function GearBench({ slug, site, sun, nowUtcMs }: BenchProps) {
  const [standing, setStanding] = useState<GearStanding>({ place: "metal-shed", colour: "middle", isShaded: false, airing: "closed" });
  const [battery, setBattery] = useState<BatteryKind | "none">(site.inverters.length === 0 ? "lead" : "none");
  const [inverter] = site.inverters;
  const derating = inverter?.heatDerating;
  const fields = useNumberFields({
    fullToC: derating?.fromC ?? USUAL_LIMIT.fullToC,
    perKPercent: derating ? derating.perKFrac * 100 : USUAL_LIMIT.perKPercent,
    batteryCost: "",
    moreM: 15,
    mm2: 10,
  });
  const limit: HeatLimit = {
    ratedW: siteAcRatedW(site) || nameplateW(site),
    fullToC: fields.numberOf("fullToC", USUAL_LIMIT.fullToC),
    perKFrac: fields.numberOf("perKPercent", USUAL_LIMIT.perKPercent) / 100,
  };
  const options = optionsFor(standing);
  const { years, cableKwh } = useGearYears(slug, site, sun, options, limit, {
    lengthM: fields.numberOf("moreM", 0),
    areaMm2: fields.numberOf("mm2", 10),
  });
  const terms: Terms = {
    price: pricePerKwh(site),
    battery: battery === "none" ? null : { kind: battery, years: LIFE_YEARS[battery], cost: typedNumber(fields.typed.batteryCost, null) },
    cableKwh,
  };
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
        {sunWords(sun)}
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

const sunWords = ({ kind }: BenchSun): string =>
  kind === "cloudless" ? `${say.underACloudlessSky} ` : kind === "usual" ? `${say.inAUsualYear} ` : "";

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
    now.deratedKwh >= 0.5 ? say.heatHoldsBack(number(now.deratedKwh)) : say.heatHoldsNothingBack,
  ];
  if (terms.battery) {
    const { kind, years: rated } = terms.battery;
    words.push(say.batteryLasts(BATTERY_NAMES[kind], number(rated * now.lifeFrac[kind], 1), number(rated)));
  }
  const mend = bestMend(years, options, terms);
  if (mend)
    words.push(
      say.bestMended(
        mend.option.name,
        mend.savedKwh >= 0.5 ? say.kwhMore(number(mend.savedKwh)) : "",
        mend.moreYears >= 0.05 ? say.yearsMore(number(mend.moreYears, 1)) : "",
      ),
    );
  return words.join(" ");
}

interface StandingFieldsProps {
  readonly standing: GearStanding;
  readonly setStanding: (standing: GearStanding) => void;
}

/** Where it stands, in plain choices. */
function StandingFields({ standing, setStanding }: StandingFieldsProps) {
  const isOutside = standing.place === "outside-sun" || standing.place === "outside-shade";
  return (
    <div className={bench.inputs}>
      <NativeSelect
        label={say.stands}
        data={GEAR_PLACES.map((value) => ({ value, label: GEAR_PLACE_NAMES[value] }))}
        value={standing.place}
        onChange={({ currentTarget }) => setStanding({ ...standing, place: currentTarget.value as GearStanding["place"] })}
      />
      <NativeSelect
        label={say.painted}
        data={COLOURS.map((value) => ({ value, label: COLOUR_NAMES[value] }))}
        value={standing.colour}
        onChange={({ currentTarget }) => setStanding({ ...standing, colour: currentTarget.value as GearStanding["colour"] })}
      />
      <NativeSelect
        label={say.theSun}
        data={[
          { value: "sun", label: say.reachesIt },
          { value: "shade", label: say.isKeptOff },
        ]}
        value={standing.isShaded ? "shade" : "sun"}
        onChange={({ currentTarget }) => setStanding({ ...standing, isShaded: currentTarget.value === "shade" })}
      />
      {!isOutside && (
        <NativeSelect
          label={say.air}
          data={AIRINGS.map((value) => ({ value, label: AIRING_NAMES[value] }))}
          value={standing.airing}
          onChange={({ currentTarget }) => setStanding({ ...standing, airing: currentTarget.value as GearStanding["airing"] })}
        />
      )}
    </div>
  );
}

interface LimitFieldsProps {
  readonly fields: NumberFields<"fullToC" | "perKPercent" | "batteryCost" | "moreM" | "mm2">;
  readonly battery: BatteryKind | "none";
  readonly setBattery: (battery: BatteryKind | "none") => void;
  readonly currency: string;
  /** Whether the book knows how its rating falls. */
  readonly isKnown: boolean;
}

function LimitFields({ fields: { typed, into }, battery, setBattery, currency, isKnown }: LimitFieldsProps) {
  return (
    <>
      <div className={bench.inputs}>
        <NumberField label={say.fullPowerUpTo} unit="°C" min={0} max={90} value={typed.fullToC} onChange={into("fullToC")} />
        <NumberField label={say.thenLess} unit="%/K" min={0} max={100} value={typed.perKPercent} onChange={into("perKPercent")} />
        <NativeSelect
          label="Battery"
          data={[{ value: "none", label: say.none }, ...BATTERY_KINDS.map((value) => ({ value, label: BATTERY_NAMES[value] }))]}
          value={battery}
          onChange={({ currentTarget }) => setBattery(currentTarget.value as BatteryKind | "none")}
        />
        {battery !== "none" && (
          <NumberField label={say.aNewOne} unit={currency} min={0} value={typed.batteryCost} onChange={into("batteryCost")} />
        )}
        <NumberField label={say.movingTakes} unit="m" min={0} max={500} value={typed.moreM} onChange={into("moreM")} />
        <NumberField label={say.ofCable} unit="mm²" min={0.5} value={typed.mm2} onChange={into("mm2")} />
      </div>
      <p className={chapter.soft}>
        {isKnown ? say.limitOfTheBook : say.limitIsUsual(percent(USUAL_LIMIT.perKPercent / 100), measure(USUAL_LIMIT.fullToC, "°C"))}
      </p>
    </>
  );
}
