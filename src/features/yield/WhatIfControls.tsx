"use client";

import { Button, Select, Slider } from "@mantine/core";
import { useId } from "react";
import type { SiteDocument } from "@/contracts/site";
import { mountings } from "@/contracts/site";
import { type PvArray, type Site, siteAcRatedW } from "@/core/site";
import type { WhatIf } from "@/core/yield";
import { NumberField } from "@/features/kit/fields/NumberField";
import { say } from "@/wording/screens/yield";
import styles from "./Yield.module.css";

interface ControlsProps {
  readonly site: SiteDocument;
  /** The site with the what-if in force, and the array that the sliders show. */
  readonly wished: Site;
  readonly subject: PvArray;
  readonly whatIf: WhatIf;
  readonly change: (part: Partial<WhatIf>) => void;
  readonly reset: () => void;
}

const MOUNTING_NAMES = {
  "open-rack": "open rack",
  "roof-gap": say.roofWithAGap,
  "roof-close": "roof, close",
  "building-integrated": say.inTheRoof,
} as const;

/** Sliders and choices of a what-if; a mark shows where the book stands. */
export function WhatIfControls({ site, wished, subject, whatIf, change, reset }: ControlsProps) {
  const built = site.arrays.find((array) => array.id === subject.id) ?? site.arrays[0]!;
  const acKw = siteAcRatedW(wished) / 1000;
  const builtKw = siteAcRatedW(site) / 1000;
  return (
    <div className={styles.controls}>
      {site.arrays.length > 1 && (
        <Select
          label="Array"
          data={[{ value: "", label: "all arrays" }, ...site.arrays.map((array) => ({ value: array.id, label: array.name || array.id }))]}
          value={whatIf.arrayId ?? ""}
          allowDeselect={false}
          onChange={(id) => change({ arrayId: id || null })}
        />
      )}
      <Dial
        label={say.tiltFromFlat}
        angle="tilt"
        value={subject.tiltDeg}
        built={built.tiltDeg}
        range={[0, 90]}
        set={(tiltDeg) => change({ tiltDeg })}
      />
      <Dial
        label={say.azimuthFromNorth}
        angle="azimuth"
        value={subject.azimuthDeg}
        built={built.azimuthDeg}
        range={[0, 359]}
        set={(azimuthDeg) => change({ azimuthDeg })}
      />
      <Dial
        label="Modules"
        value={subject.count}
        built={built.count}
        range={[1, Math.max(2, built.count * 2)]}
        set={(count) => change({ count: Math.max(1, Math.round(count)) })}
      />
      {builtKw > 0 && <AcDial acKw={acKw} builtKw={builtKw} change={change} />}
      <Dial
        label="Soiling, %"
        value={wished.losses.soilingFrac * 100}
        built={site.losses.soilingFrac * 100}
        range={[0, 15]}
        step={0.1}
        set={(share) => change({ soilingFrac: share / 100 })}
      />
      <Dial
        label={say.albedoOfTheGround}
        value={wished.albedo}
        built={site.albedo}
        range={[0, 0.9]}
        step={0.01}
        set={(albedo) => change({ albedo })}
      />
      <PlaneTools subject={subject} change={change} site={site} />
      <Button variant="default" size="compact-sm" onClick={reset}>
        {say.backToTheBook}
      </Button>
    </div>
  );
}

interface AcDialProps {
  readonly acKw: number;
  readonly builtKw: number;
  readonly change: (part: Partial<WhatIf>) => void;
}

/** The AC rating. */
function AcDial({ acKw, builtKw, change }: AcDialProps) {
  return (
    <Dial
      label={say.invertersKwAc}
      value={acKw}
      built={builtKw}
      range={[builtKw * 0.4, builtKw * 1.8]}
      step={builtKw > 20 ? 1 : 0.1}
      set={(kw) => change({ acRatedW: kw * 1000 })}
    />
  );
}

interface PlaneToolsProps {
  readonly subject: PvArray;
  readonly change: (part: Partial<WhatIf>) => void;
  readonly site: ControlsProps["site"];
}

function PlaneTools({ subject, change, site }: PlaneToolsProps) {
  return (
    <div className={styles.choices}>
      <Select
        label="Mounting"
        data={mountings.map((mounting) => ({ value: mounting, label: MOUNTING_NAMES[mounting] }))}
        value={subject.mounting}
        allowDeselect={false}
        onChange={(mounting) => change({ mounting: (mounting as keyof typeof MOUNTING_NAMES) ?? undefined })}
      />
      <Select
        label="Module"
        data={Object.keys(site.modules)}
        value={subject.module}
        allowDeselect={false}
        onChange={(module) => change({ module: module ?? undefined })}
      />
    </div>
  );
}

interface DialProps {
  readonly label: string;
  readonly value: number;
  readonly built: number;
  readonly range: readonly [number, number];
  readonly step?: number;
  readonly angle?: "tilt" | "azimuth";
  readonly set: (value: number) => void;
}

function Dial({ label, value, built, range, step = 1, angle, set }: DialProps) {
  const decimals = step >= 1 ? 0 : step >= 0.1 ? 1 : 2;
  const id = useId();
  const tidy = Number(value.toFixed(decimals + 1));
  return (
    <div className={styles.dial}>
      <label htmlFor={id}>{label}</label>
      <NumberField
        id={id}
        angle={angle}
        value={tidy}
        min={range[0]}
        max={range[1]}
        onChange={(next) => typeof next === "number" && set(next)}
      />
      <Slider
        aria-label={label}
        color="ink"
        size={3}
        thumbSize={16}
        label={null}
        value={value}
        min={range[0]}
        max={range[1]}
        step={step}
        marks={[{ value: built }]}
        classNames={{ mark: styles.mark! }}
        onChange={set}
        thumbLabel={label}
      />
    </div>
  );
}
