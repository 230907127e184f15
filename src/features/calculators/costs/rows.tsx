"use client";

import { NativeSelect } from "@mantine/core";
import type { Remote } from "comlink";
import { type ReactNode, useEffect, useState } from "react";
import type { SiteDocument } from "@/contracts/site";
import type { Mistake, MistakeCost } from "@/core/comparison";
import { equatorAzimuthDeg } from "@/core/geometry";
import type { PvArray, TiltChange } from "@/core/site";
import { methodSchedule, polynomialTiltDeg } from "@/core/tilt";
import { AzimuthField, TiltField } from "@/features/kit/angles/AngleField";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Figure } from "@/features/kit/figures/Figure";
import { number, percent } from "@/wording/format";
import { dayName } from "@/wording/geometry";
import { MISTAKE_TITLES, say } from "@/wording/screens/calculators-costs";
import { mistakeWorking } from "@/wording/workings/mistake-working";
import type { BenchEngine } from "../bench.worker";
import type { BenchSun } from "../bench-sun";
import { inSeriesOf, workingPoint } from "../cable/working-point";
import { useBenchAnswer } from "../use-bench-engine";
import { type Typed, typedNumber } from "../use-number-fields";
import styles from "./Costs.module.css";

export interface RowProps {
  readonly site: SiteDocument;
  readonly array: PvArray;
  readonly engine: Remote<BenchEngine> | null;
  readonly sun: BenchSun;
  /** What a kilowatt-hour is worth; null where nobody said. */
  readonly price: number | null;
  readonly tell: (kind: Mistake["kind"], cost: MistakeCost | null) => void;
}

interface FrameProps extends RowProps {
  /** Null while something of it is not said. */
  readonly mistake: Mistake | null;
  readonly kind: Mistake["kind"];
  readonly children: ReactNode;
}

/** A row: how it is on the left, what it costs on the right. */
function CostRow({ site, array, engine, sun, price, tell, mistake, kind, children }: FrameProps) {
  const answer = useBenchAnswer(mistake ? engine : null, { site, id: array.id, mistake }, (remote, asked) =>
    asked.mistake ? remote.mistake(asked.site, asked.id, asked.mistake) : Promise.resolve(null),
  );
  const cost = mistake ? answer : null;
  useEffect(() => tell(kind, cost), [tell, kind, cost]);
  const lostKwh = cost ? cost.couldKwh - cost.isKwh : 0;
  const waits = mistake && engine && !cost;
  const mended = cost ? cost.mendedKwh - cost.isKwh : 0;
  return (
    <tr data-unsaid={mistake === null || undefined}>
      <td>
        <div className={styles.question}>
          <b>{MISTAKE_TITLES[kind]}</b>
          <div className={styles.fields}>{children}</div>
        </div>
      </td>
      <td>{cost ? percent(lostKwh / cost.couldKwh) : waits ? "…" : "–"}</td>
      <td>
        {cost ? (
          <Figure plain working={() => mistakeWorking(kind, cost, sun)}>
            {number(lostKwh)}
          </Figure>
        ) : (
          ""
        )}
      </td>
      <td>{cost && price !== null ? number(lostKwh * price, 0) : ""}</td>
      <td>{cost && mended > 0.5 ? say.kwhMore(number(mended)) : cost ? say.nothing : ""}</td>
    </tr>
  );
}

const angle = (value: Typed): number | null => {
  const known = typedNumber(value, null);
  return known === null ? null : ((known % 360) + 360) % 360;
};
const within = (value: Typed, least: number, most: number): number | null => {
  const known = typedNumber(value, null);
  return known !== null && known >= least && known <= most ? known : null;
};

/** It looks elsewhere than it could; a compass is read right there. */
export function TurnRow(props: RowProps) {
  const { site, array } = props;
  const [is, setIs] = useState<Typed>(array.azimuthDeg);
  const [could, setCould] = useState<Typed>(equatorAzimuthDeg(site.place.latitudeDeg));
  const [isDeg, couldDeg] = [angle(is), angle(could)];
  const mistake: Mistake | null = isDeg !== null && couldDeg !== null ? { kind: "azimuth", isDeg, couldDeg } : null;
  return (
    <CostRow {...props} kind="azimuth" mistake={mistake}>
      <AzimuthField plain size="xs" label={say.looksTo} place={site.place} value={is} onChange={setIs} />
      <AzimuthField plain size="xs" label={say.couldLookTo} place={site.place} value={could} onChange={setCould} />
    </CostRow>
  );
}

/** It stands at another tilt than it could. */
export function TiltRow(props: RowProps) {
  const { site, array } = props;
  const [is, setIs] = useState<Typed>(array.tiltDeg);
  const [could, setCould] = useState<Typed>(Math.round(polynomialTiltDeg(site.place.latitudeDeg)));
  const [isDeg, couldDeg] = [within(is, 0, 90), within(could, 0, 90)];
  const mistake: Mistake | null = isDeg !== null && couldDeg !== null ? { kind: "tilt", isDeg, couldDeg } : null;
  const shared = { plain: true, size: "xs" as const, latitudeDeg: site.place.latitudeDeg, azimuthDeg: array.azimuthDeg };
  return (
    <CostRow {...props} kind="tilt" mistake={mistake}>
      <TiltField {...shared} label={say.standsAt} value={is} onChange={setIs} />
      <TiltField {...shared} label={say.couldStandAt} value={could} onChange={setCould} />
    </CostRow>
  );
}

/** The changes through the year that a rack has, or would have by a rule of thumb. */
const stepsOf = ({ site, array }: RowProps): readonly TiltChange[] =>
  array.tiltSchedule.length > 0 ? array.tiltSchedule : (methodSchedule("latitude-15", 2, site.place.latitudeDeg) ?? []);
const stepsInWords = (steps: readonly TiltChange[]): string =>
  steps.map(({ from, tiltDeg }) => `${number(tiltDeg)}° from ${dayName(from)}`).join(", ");

/** A rack that was left where it stood all year. */
export function LeftRow(props: RowProps) {
  const steps = stepsOf(props);
  const [left, setLeft] = useState<Typed>("");
  const leftDeg = within(left, 0, 90);
  return (
    <CostRow {...props} kind="left" mistake={leftDeg === null ? null : { kind: "left", leftDeg, steps }}>
      <TiltField
        plain
        size="xs"
        label={say.leftAt}
        placeholder={String(Math.round(Math.max(...steps.map(({ tiltDeg }) => tiltDeg))))}
        latitudeDeg={props.site.place.latitudeDeg}
        azimuthDeg={props.array.azimuthDeg}
        value={left}
        onChange={setLeft}
      />
      <span className={styles.note}>{say.insteadOfSteps(stepsInWords(steps))}</span>
    </CostRow>
  );
}

/** Every change is made late. */
export function LateRow(props: RowProps) {
  const steps = stepsOf(props);
  const [late, setLate] = useState<Typed>("");
  const days = within(late, 1, 180);
  return (
    <CostRow {...props} kind="late" mistake={days === null ? null : { kind: "late", days, steps }}>
      <NumberField size="xs" label={say.daysLate} min={1} max={180} placeholder="21" value={late} onChange={setLate} />
      <span className={styles.note}>{stepsInWords(steps)}</span>
    </CostRow>
  );
}

/** A tree or a wall. */
export function ShadeRow(props: RowProps) {
  const { site } = props;
  const [obstacle, setObstacle] = useState<"tree" | "wall">("tree");
  const [height, setHeight] = useState<Typed>("");
  const [distance, setDistance] = useState<Typed>("");
  const [width, setWidth] = useState<Typed>(5);
  const [azimuth, setAzimuth] = useState<Typed>(equatorAzimuthDeg(site.place.latitudeDeg));
  const [heightM, distanceM, widthM, azimuthDeg] = [
    within(height, 0.1, 200),
    within(distance, 0.3, 2000),
    within(width, 0.1, 500),
    angle(azimuth),
  ];
  const isSaid = heightM !== null && distanceM !== null && widthM !== null && azimuthDeg !== null;
  return (
    <CostRow {...props} kind="shade" mistake={isSaid ? { kind: "shade", obstacle, heightM, distanceM, widthM, azimuthDeg } : null}>
      <NativeSelect
        size="xs"
        label={say.what}
        data={[
          { value: "tree", label: "tree" },
          { value: "wall", label: say.wallOrHouse },
        ]}
        value={obstacle}
        onChange={({ currentTarget }) => setObstacle(currentTarget.value as typeof obstacle)}
      />
      <NumberField size="xs" label="High" unit="m" min={0.1} max={200} placeholder="8" value={height} onChange={setHeight} />
      <NumberField size="xs" label="Wide" unit="m" min={0.1} max={500} value={width} onChange={setWidth} />
      <NumberField size="xs" label="Away" unit="m" min={0.3} max={2000} placeholder="12" value={distance} onChange={setDistance} />
      <AzimuthField plain size="xs" label={say.standsToward} place={site.place} value={azimuth} onChange={setAzimuth} />
    </CostRow>
  );
}

/** Dirt that lies all year. */
export function DirtRow(props: RowProps) {
  const [share, setShare] = useState<Typed>("");
  const sharePercent = within(share, 0.1, 90);
  return (
    <CostRow {...props} kind="dirt" mistake={sharePercent === null ? null : { kind: "dirt", frac: sharePercent / 100 }}>
      <NumberField size="xs" label={say.dirtTakes} unit="%" min={0.1} max={90} placeholder="4" value={share} onChange={setShare} />
      <span className={styles.note}>{say.dirtHow}</span>
    </CostRow>
  );
}

/** A cable that is thinner than it could be. */
export function CableRow(props: RowProps) {
  const { site, array } = props;
  const works = workingPoint(site, array, "array", null);
  const [length, setLength] = useState<Typed>("");
  const [is, setIs] = useState<Typed>(4);
  const [could, setCould] = useState<Typed>(10);
  const [volts, setVolts] = useState<Typed>(Math.round(works.voltageV));
  const [lengthM, isMm2, couldMm2, voltageV] = [
    within(length, 0.5, 5000),
    within(is, 0.3, 1000),
    within(could, 0.3, 1000),
    within(volts, 5, 1500),
  ];
  const isSaid = lengthM !== null && isMm2 !== null && couldMm2 !== null && voltageV !== null;
  const currentA = voltageV === null ? 0 : (works.currentA * works.voltageV) / voltageV;
  return (
    <CostRow {...props} kind="cable" mistake={isSaid ? { kind: "cable", lengthM, isMm2, couldMm2, currentA, voltageV } : null}>
      <NumberField size="xs" label={say.longOneWay} unit="m" min={0.5} max={5000} placeholder="40" value={length} onChange={setLength} />
      <NumberField size="xs" label={say.isThick} unit="mm²" min={0.3} value={is} onChange={setIs} />
      <NumberField size="xs" label={say.couldBeThick} unit="mm²" min={0.3} value={could} onChange={setCould} />
      <NumberField size="xs" label="At" unit="V" min={5} max={1500} value={volts} onChange={setVolts} />
    </CostRow>
  );
}

/** Modules of a string that are older, smaller or shaded. */
export function StringRow(props: RowProps) {
  const { site, array } = props;
  const inSeries = inSeriesOf(site, array);
  const names = Object.keys(site.modules);
  const [module, setModule] = useState(array.module);
  const [count, setCount] = useState<Typed>("");
  const [light, setLight] = useState<Typed>(100);
  const [modules, lightPercent] = [within(count, 1, inSeries), within(light, 0, 100)];
  const isSaid = modules !== null && lightPercent !== null && !(module === array.module && lightPercent === 100);
  const mistake: Mistake | null = isSaid ? { kind: "string", inSeries, modules, module, lightFrac: lightPercent / 100 } : null;
  return (
    <CostRow {...props} kind="string" mistake={mistake}>
      <NumberField
        size="xs"
        label={say.modulesOfIn(inSeries)}
        min={1}
        max={inSeries}
        isWhole
        placeholder="1"
        value={count}
        onChange={setCount}
      />
      <NativeSelect
        size="xs"
        label={say.areOf}
        data={names}
        value={module}
        onChange={({ currentTarget }) => setModule(currentTarget.value)}
      />
      <NumberField size="xs" label={say.withLight} unit="%" min={0} max={100} value={light} onChange={setLight} />
    </CostRow>
  );
}
