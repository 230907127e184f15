"use client";

import { Popover } from "@mantine/core";
import { IconAngle, IconCompass } from "@tabler/icons-react";
import { type ReactNode, useState } from "react";
import { NumberField } from "@/features/kit/fields/NumberField";
import { say as sayHere } from "@/wording/screens/kit-angles";
import styles from "./Angle.module.css";
import { AzimuthView, TiltView } from "./AngleViews";
import { type At, CompassTool } from "./CompassTool";
import { TiltTools } from "./TiltTools";
import { round } from "./tenths";

interface AngleProps {
  readonly label: string;
  readonly value: number | string;
  readonly error?: ReactNode;
  /** Without the small picture beside it. */
  readonly plain?: boolean;
  readonly size?: "xs" | "sm";
  readonly placeholder?: string;
  readonly onChange: (value: number | string) => void;
  readonly onBlur?: (() => void) | undefined;
}

/** A tilt with its side view, and the ways in which people measure one. */
export function TiltField({
  latitudeDeg,
  azimuthDeg,
  ...angle
}: AngleProps & { readonly latitudeDeg: number; readonly azimuthDeg: number }) {
  return (
    <Shell
      reads="tilt"
      angle={angle}
      picture={<TiltView tiltDeg={Number(angle.value)} />}
      icon={<IconAngle size={16} stroke={1.6} />}
      say={sayHere.waysToMeasureATilt}
    >
      {(take) => <TiltTools tiltDeg={Number(angle.value) || 0} latitudeDeg={latitudeDeg} azimuthDeg={azimuthDeg} take={take} />}
    </Shell>
  );
}

/** An azimuth with its plan view, and a compass that knows where magnetic north lies. */
export function AzimuthField({ place, onDate, ...angle }: AngleProps & { readonly place: At; readonly onDate?: string | null }) {
  return (
    <Shell
      reads="azimuth"
      angle={angle}
      picture={<AzimuthView azimuthDeg={Number(angle.value)} />}
      icon={<IconCompass size={16} stroke={1.6} />}
      say={sayHere.readACompass}
    >
      {(take) => <CompassTool azimuthDeg={Number(angle.value) || 0} place={place} onDate={onDate ?? null} take={take} />}
    </Shell>
  );
}

interface ShellProps {
  readonly reads: "tilt" | "azimuth";
  readonly angle: AngleProps;
  readonly picture: ReactNode;
  readonly icon: ReactNode;
  readonly say: string;
  readonly children: (take: (angle: number) => void) => ReactNode;
}

function Shell({ reads, angle, picture, icon, say, children }: ShellProps) {
  const [open, setOpen] = useState(false);
  const { label, value, error, onChange, onBlur, plain = false, size = "sm", placeholder = "" } = angle;
  return (
    <div className={styles.field}>
      <NumberField
        label={label}
        angle={reads}
        size={size}
        placeholder={placeholder}
        value={value}
        error={error}
        onChange={onChange}
        onBlur={onBlur}
        rightSection={
          <Popover opened={open} onChange={setOpen} width={436} position="bottom-end" shadow="md" trapFocus withinPortal>
            <Popover.Target>
              <button type="button" className={styles.open} aria-label={`${say}: ${label}`} title={say} onClick={() => setOpen(!open)}>
                {icon}
              </button>
            </Popover.Target>
            <Popover.Dropdown className={styles.tool}>
              {open &&
                children((next) => {
                  onChange(round(next));
                  setOpen(false);
                })}
            </Popover.Dropdown>
          </Popover>
        }
      />
      {!plain && picture}
    </div>
  );
}
