"use client";

import { NativeSelect } from "@mantine/core";
import { useState } from "react";
import type { Mistake } from "@/core/comparison";
import { equatorAzimuthDeg } from "@/core/geometry";
import { AzimuthField } from "@/features/kit/angles/AngleField";
import { NumberField } from "@/features/kit/fields/NumberField";
import { say } from "@/wording/screens/calculators-costs";
import { inSeriesOf, workingPoint } from "../cable/working-point";
import type { Typed } from "../use-number-fields";
import { angle, CostRow, type RowProps, within } from "./CostRow";
import styles from "./Costs.module.css";

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
