"use client";

import type { Remote } from "comlink";
import { useMemo, useState } from "react";
import { WayCurves } from "@/charts";
import type { PlaneYear } from "@/contracts/plane-year";
import type { SiteDocument } from "@/contracts/site";
import { equatorAzimuthDeg } from "@/core/geometry";
import { pricePerKwh } from "@/core/money";
import type { PvArray } from "@/core/site";
import { methodSchedule, polynomialTiltDeg } from "@/core/tilt";
import type { GeometryEngine } from "@/features/data/geometry/geometry.worker";
import { useEngineAnswer } from "@/features/data/geometry/use-geometry";
import { AzimuthField, TiltField } from "@/features/kit/angles/AngleField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent } from "@/wording/format";
import { MONTHS_SHORT } from "@/wording/geometry";
import { wayWorking, worthWorking } from "@/wording/workings/bench-workings";
import { differenceWorking } from "@/wording/workings/yield-workings";
import styles from "./Bench.module.css";
import type { BenchProps } from "./bench-views";

const SHORT = ["as it stands", "on the roof", "rack, fixed", "rack, tilted twice"] as const;

interface Way {
  readonly name: string;
  readonly site: SiteDocument;
}

/** Every array of a site stood otherwise: shade of the old place left behind, revisions overruled. */
const stoodAs = (site: SiteDocument, change: Partial<PvArray>): SiteDocument => ({
  ...site,
  revisions: [],
  arrays: site.arrays.map(
    (array) =>
      ({
        ...array,
        tiltSchedule: [],
        horizon: [...array.horizon],
        obstacles: [...array.obstacles],
        ...change,
      }) as SiteDocument["arrays"][number],
  ),
});

/** The same modules on the roof or on a rack in the open: what each brings. */
export function RoofOrGround({ slug, site, year, engine }: BenchProps & { readonly engine: Remote<GeometryEngine> | null }) {
  const { latitudeDeg } = site.place;
  const first = site.arrays[0]!;
  const [roofTilt, setRoofTilt] = useState<number | string>(first.tiltDeg);
  const [roofAzimuth, setRoofAzimuth] = useState<number | string>(first.azimuthDeg);
  const [rackTilt, setRackTilt] = useState<number | string>(Math.round(polynomialTiltDeg(latitudeDeg)));
  const ways = useMemo<Way[]>(() => {
    const rack = { mounting: "open-rack" as const, azimuthDeg: equatorAzimuthDeg(latitudeDeg), obstacles: [], baseHeightM: 0.6 };
    const open = { ...site, obstacles: [] };
    return [
      { name: "as it stands", site },
      {
        name: "on the roof",
        site: stoodAs(site, { mounting: "roof-gap", tiltDeg: Number(roofTilt) || 0, azimuthDeg: (Number(roofAzimuth) || 0) % 360 }),
      },
      { name: "rack in the open, fixed", site: stoodAs(open, { ...rack, tiltDeg: Number(rackTilt) || 0 }) },
      {
        name: "rack in the open, tilted twice a year",
        site: stoodAs(open, { ...rack, tiltSchedule: methodSchedule("latitude-15", 2, latitudeDeg) ?? [] }),
      },
    ];
  }, [site, latitudeDeg, roofTilt, roofAzimuth, rackTilt]);
  const years = useEngineAnswer(
    engine,
    ways.map((way) => way.site),
    (remote, asked) => remote.planes(asked),
  );
  return (
    <>
      <GroundSentence ways={ways} years={years} year={year} />
      <div className={styles.tools}>
        <TiltField
          size="xs"
          plain
          label="Roof's tilt, °"
          latitudeDeg={latitudeDeg}
          azimuthDeg={Number(roofAzimuth) || 0}
          value={roofTilt}
          onChange={setRoofTilt}
        />
        <AzimuthField size="xs" plain label="Roof's azimuth, °" place={site.place} value={roofAzimuth} onChange={setRoofAzimuth} />
        <TiltField
          size="xs"
          plain
          label="Rack's fixed tilt, °"
          latitudeDeg={latitudeDeg}
          azimuthDeg={equatorAzimuthDeg(latitudeDeg)}
          value={rackTilt}
          onChange={setRackTilt}
        />
      </div>
      <ScrollBox label="Roof or ground">
        <RuledTable className={chapter.table}>
          <thead>
            <tr>
              <th scope="col">all modules</th>
              <th scope="col">{`${year ?? "cloudless year"}, kWh`}</th>
              <th scope="col">against as it stands</th>
              <th scope="col">winter half, kWh</th>
              <th scope="col">December, kWh</th>
              <th scope="col">June, kWh</th>
              <th scope="col">{`worth a year, ${site.currency}`}</th>
              <th scope="col">cost</th>
            </tr>
          </thead>
          <tbody>
            {ways.map(({ name }, k) => (
              <WayRow key={name} name={name} answer={years?.[k]} base={years?.[0]} first={k === 0} price={pricePerKwh(site)} year={year} />
            ))}
          </tbody>
        </RuledTable>
      </ScrollBox>
      {years && years.length === ways.length && (
        <ChartFrame
          title="Month by month"
          note="kWh at the meter"
          fileName={`${slug}-roof-or-ground`}
          height={230}
          summary="Energy by month on the roof and on a rack"
          table={() => [
            ["way", ...MONTHS_SHORT],
            ...ways.map(({ name }, k) => [name, ...years[k]!.monthsKwh.map((kwh) => Number(kwh.toFixed(1)))]),
          ]}
        >
          {(width) => (
            <WayCurves
              width={width}
              height={230}
              months={MONTHS_SHORT}
              label={(kwh) => number(kwh)}
              curves={ways.map(({ name }, k) => ({ label: SHORT[k]!, values: years[k]!.monthsKwh, name }))}
            />
          )}
        </ChartFrame>
      )}
      <p className={chapter.soft}>
        The rack stands clear of the site's obstacles, the horizon stays. Worth is the difference at the book's price. What rack, trench,
        cable and fence cost, and whether they pay, is a decision case of the Money chapter, in a later edition: its place is kept.
      </p>
      <p className={chapter.caution}>
        A rack carries wind and snow: footings and cable routes are for people who may build them, under the local code. A roof wants its
        load and its fall protection checked before anyone goes up.
      </p>
    </>
  );
}

interface WayRowProps {
  readonly name: string;
  readonly answer: PlaneYear | undefined;
  readonly base: PlaneYear | undefined;
  readonly first: boolean;
  readonly price: number | null;
  readonly year: string | null;
}

function YearFigure({ name, answer, year, kwh }: { name: string; answer: PlaneYear; year: string | null; kwh: number }) {
  return (
    <Figure plain working={() => wayWorking(name, answer, year)}>
      {number(kwh)}
    </Figure>
  );
}

function WayRow({ name, answer, base, first, price, year }: WayRowProps) {
  const more = answer && base ? answer.yearKwh - base.yearKwh : 0;
  return (
    <tr>
      <td>{name}</td>
      <td>{answer ? <YearFigure name={name} answer={answer} year={year} kwh={answer.yearKwh} /> : "…"}</td>
      <td>
        {first || !answer || !base ? (
          "–"
        ) : (
          <Figure
            plain
            working={() =>
              differenceWorking(
                name,
                { name: `Expected ${name}`, kwh: answer.yearKwh },
                { name: "Expected as it stands", kwh: base.yearKwh },
              )
            }
          >
            {`${more > 0 ? "+" : ""}${number(more)} kWh (${more > 0 ? "+" : ""}${percent(more / base.yearKwh)})`}
          </Figure>
        )}
      </td>
      <td>{answer ? <YearFigure name={name} answer={answer} year={year} kwh={answer.winterKwh} /> : "…"}</td>
      <td>{answer ? number(answer.monthsKwh[11]!) : "…"}</td>
      <td>{answer ? number(answer.monthsKwh[5]!) : "…"}</td>
      <td>
        {first || price === null || !answer || !base ? (
          "–"
        ) : (
          <Figure plain working={() => worthWorking(name, more, price)}>
            {number(more * price, 2)}
          </Figure>
        )}
      </td>
      <td className={chapter.soft}>–</td>
    </tr>
  );
}

function GroundSentence({ ways, years, year }: { ways: readonly Way[]; years: readonly PlaneYear[] | null; year: string | null }) {
  if (!years || years.length < ways.length)
    return <p className={chapter.verdict}>Running {year ?? "a cloudless year"} on the roof and in the open …</p>;
  const [, roof, fixed, tilted] = years as [PlaneYear, PlaneYear, PlaneYear, PlaneYear];
  const more = fixed.yearKwh - roof.yearKwh;
  return (
    <p className={chapter.verdict}>
      On a fixed rack in the open the same modules bring{" "}
      <Figure
        working={() =>
          differenceWorking(
            "Rack against roof",
            { name: "Expected on a fixed rack", kwh: fixed.yearKwh },
            { name: "Expected on the roof", kwh: roof.yearKwh },
          )
        }
      >
        {number(Math.abs(more))} kWh
      </Figure>{" "}
      a year {more >= 0 ? "more" : "less"} than on the roof ({more >= 0 ? "+" : ""}
      {percent(more / roof.yearKwh)}), {number(Math.abs(fixed.winterKwh - roof.winterKwh))} of it{" "}
      {fixed.winterKwh >= roof.winterKwh ? "more" : "less"} in the winter half; tilting twice a year adds{" "}
      <Figure
        working={() =>
          differenceWorking(
            "Tilting twice a year",
            { name: "Expected tilted twice", kwh: tilted.yearKwh },
            { name: "Expected on a fixed rack", kwh: fixed.yearKwh },
          )
        }
      >
        {number(tilted.yearKwh - fixed.yearKwh)}
      </Figure>
      .
    </p>
  );
}
