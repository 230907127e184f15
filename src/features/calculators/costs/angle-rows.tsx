"use client";

import { useState } from "react";
import type { Mistake } from "@/core/comparison";
import { equatorAzimuthDeg } from "@/core/geometry";
import type { TiltChange } from "@/core/site";
import { methodSchedule, polynomialTiltDeg } from "@/core/tilt";
import { AzimuthField, TiltField } from "@/features/kit/angles/AngleField";
import { NumberField } from "@/features/kit/fields/NumberField";
import { number } from "@/wording/format";
import { dayName } from "@/wording/geometry";
import { say } from "@/wording/screens/calculators-costs";
import type { Typed } from "../use-number-fields";
import { angle, CostRow, type RowProps, within } from "./CostRow";
import styles from "./Costs.module.css";

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
  // A rack that is tilted through the year stands at no one tilt.
  const [is, setIs] = useState<Typed>(array.tiltSchedule.length > 0 ? "" : array.tiltDeg);
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
