"use client";

import { Button, NumberInput, Popover, SegmentedControl, Select } from "@mantine/core";
import { IconAngle, IconCompass } from "@tabler/icons-react";
import { type ReactNode, useId, useState } from "react";
import { SideView } from "@/charts";
import {
  compassPoint,
  equatorAzimuthDeg,
  fromEquatorDeg,
  fromVerticalDeg,
  magneticDeclination,
  magneticOfTrueDeg,
  noonElevationDeg,
  riseOfTilt,
  spencerDeclinationDeg,
  tiltOfPhone,
  tiltOfPlumb,
  tiltOfRise,
  trueOfMagneticDeg,
} from "@/core/geometry";
import { number } from "@/features/figures/format";
import { DateField } from "@/features/look/DateField";
import styles from "./Angle.module.css";
import { AzimuthView, TiltView } from "./AngleViews";

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

interface At {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
}

/** To a tenth, with 359.96 as 0. */
const onCircle = (angleDeg: number): number => round(angleDeg) % 360;
const round = (angle: number): number => Math.round(angle * 10) / 10;

/** A tilt with its side view, and the ways in which people measure one. */
export function TiltField({
  latitudeDeg,
  azimuthDeg,
  ...angle
}: AngleProps & { readonly latitudeDeg: number; readonly azimuthDeg: number }) {
  return (
    <Shell
      angle={angle}
      picture={<TiltView tiltDeg={Number(angle.value)} />}
      icon={<IconAngle size={16} stroke={1.6} />}
      say="Ways to measure a tilt"
    >
      {(take) => <TiltTools tiltDeg={Number(angle.value) || 0} latitudeDeg={latitudeDeg} azimuthDeg={azimuthDeg} take={take} />}
    </Shell>
  );
}

/** An azimuth with its plan view, and a compass that knows where magnetic north lies. */
export function AzimuthField({ place, onDate, ...angle }: AngleProps & { readonly place: At; readonly onDate?: string | null }) {
  return (
    <Shell
      angle={angle}
      picture={<AzimuthView azimuthDeg={Number(angle.value)} />}
      icon={<IconCompass size={16} stroke={1.6} />}
      say="Read a compass"
    >
      {(take) => <CompassTool azimuthDeg={Number(angle.value) || 0} place={place} onDate={onDate ?? null} take={take} />}
    </Shell>
  );
}

interface ShellProps {
  readonly angle: AngleProps;
  readonly picture: ReactNode;
  readonly icon: ReactNode;
  readonly say: string;
  readonly children: (take: (angle: number) => void) => ReactNode;
}

function Shell({ angle, picture, icon, say, children }: ShellProps) {
  const [open, setOpen] = useState(false);
  const { label, value, error, onChange, onBlur, plain = false, size = "sm", placeholder = "" } = angle;
  return (
    <div className={styles.field}>
      <NumberInput
        label={label}
        hideControls
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

const WAYS = [
  { value: "upright", label: "from upright" },
  { value: "rise", label: "rise : run" },
  { value: "plumb", label: "plumb line" },
  { value: "phone", label: "phone" },
] as const;
type Way = (typeof WAYS)[number]["value"];

const DAYS = [
  { value: "172", label: "21 June" },
  { value: "265", label: "22 September" },
  { value: "355", label: "21 December" },
  { value: "80", label: "21 March" },
];

function TiltTools({
  tiltDeg,
  latitudeDeg,
  azimuthDeg,
  take,
}: {
  tiltDeg: number;
  latitudeDeg: number;
  azimuthDeg: number;
  take: (tilt: number) => void;
}) {
  const [way, setWay] = useState<Way>("upright");
  const [day, setDay] = useState("355");
  const [one, setOne] = useState<number | string>(way === "upright" ? round(fromVerticalDeg(tiltDeg)) : "");
  const [two, setTwo] = useState<number | string>("");
  const choose = (next: Way): void => {
    setWay(next);
    setOne(next === "upright" ? round(fromVerticalDeg(tiltDeg)) : next === "rise" ? round(riseOfTilt(Math.min(89, tiltDeg), 12)) : "");
    setTwo(next === "rise" ? 12 : "");
  };
  const read = readingOf(way, one, two);
  const shown = read ?? tiltDeg;
  const noonDeg = noonElevationDeg(latitudeDeg, spencerDeclinationDeg(Number(day)));
  const equator = equatorAzimuthDeg(latitudeDeg) === 0 ? "north" : "south";
  // The noon sun stands over the equator's side unless it has passed the zenith.
  const toPole = latitudeDeg < 0 ? spencerDeclinationDeg(Number(day)) < latitudeDeg : spencerDeclinationDeg(Number(day)) > latitudeDeg;
  const looks = Math.abs(fromEquatorDeg(latitudeDeg, azimuthDeg)) <= 90;
  return (
    <>
      <SegmentedControl
        size="xs"
        fullWidth
        data={[...WAYS]}
        value={way}
        onChange={(next) => choose(next)}
        aria-label="How the tilt was measured"
      />
      <div className={styles.pair}>
        {way === "upright" && <Field label="Angle from upright, °" value={one} set={setOne} />}
        {way === "rise" && (
          <>
            <Field label="Rise" value={one} set={setOne} />
            <Field label="over a run of" value={two} set={setTwo} />
          </>
        )}
        {way === "plumb" && (
          <>
            <Field label="Crosses the flat arm at" value={one} set={setOne} />
            <Field label="hung this far up the other" value={two} set={setTwo} />
          </>
        )}
        {way === "phone" && (
          <>
            <Field label="Phone shows, °" value={one} set={setOne} />
            <Field label="turned round, °" value={two} set={setTwo} />
          </>
        )}
      </div>
      <p className={styles.hint}>{HINTS[way]}</p>
      <svg width={388} height={150} role="img" aria-label={`Side view: ${number(shown, 1)} degrees from flat`}>
        <SideView
          width={388}
          height={150}
          tiltDeg={shown}
          slantM={2}
          baseHeightM={0.4}
          front={looks ? `toward the equator (${equator})` : "away from the equator"}
          suns={[{ label: `noon ${number(Math.max(0, noonDeg))}°`, elevationDeg: noonDeg, front: looks !== toPole }]}
        />
      </svg>
      <div className={styles.row}>
        <Select
          label="Noon sun of"
          size="xs"
          data={DAYS}
          value={day}
          onChange={(next) => setDay(next ?? "355")}
          allowDeselect={false}
          comboboxProps={{ withinPortal: false }}
        />
        <Button disabled={read === null} onClick={() => read !== null && take(read)}>
          {read === null ? "Use" : `Use ${number(read, 1)}° from flat`}
        </Button>
      </div>
    </>
  );
}

const HINTS: Readonly<Record<Way, string>> = {
  upright: "Measured against a wall or a plumb line: 0 stands upright, 90 lies flat. Dusty Ledger keeps 90 minus it.",
  rise: "Of the roof, both in one unit: 5 up in 12 along is 22.6°.",
  plumb: "Lay one arm of a carpenter's square on the module, pointing down the slope. Hang the line from the arm that stands off it.",
  phone:
    "Lay its long edge on the module along the slope. Turn the phone round on the spot and read again: the mean takes its zero error out.",
};

/** Tilt from flat of what was read; null while a reading is missing or says more than upright. */
function readingOf(way: Way, one: number | string, two: number | string): number | null {
  const [a, b] = [Number(one), Number(two)];
  if (one === "" || Number.isNaN(a)) return null;
  const tilt =
    way === "upright"
      ? fromVerticalDeg(a)
      : way === "phone"
        ? tiltOfPhone(a, two === "" ? null : b)
        : two === "" || b <= 0
          ? null
          : way === "rise"
            ? tiltOfRise(a, b)
            : tiltOfPlumb(a, b);
  return tilt === null || tilt < 0 || tilt > 90 ? null : tilt;
}

function Field({ label, value, set, id }: { label: string; value: number | string; set: (value: number | string) => void; id?: string }) {
  return <NumberInput id={id} label={label} hideControls size="xs" value={value} onChange={set} />;
}

const POINTED = [
  { value: "0", label: "where the modules look" },
  { value: "90", label: "up the slope" },
  { value: "along", label: "along the lower edge, left to right from behind" },
];
const OFFSETS: Readonly<Record<string, number>> = { "0": 0, "90": 180, along: -90 };

function CompassTool({
  azimuthDeg,
  place,
  onDate,
  take,
}: {
  azimuthDeg: number;
  place: At;
  onDate: string | null;
  take: (azimuth: number) => void;
}) {
  const id = useId();
  const [today] = useState(() => new Date().toISOString().slice(0, 10));
  const [date, setDate] = useState(onDate ?? today);
  const whenMs = Date.parse(`${date}T12:00:00Z`);
  const { declinationDeg, model, outdated } = magneticDeclination(place, Number.isNaN(whenMs) ? Date.parse(today) : whenMs);
  const [reading, setReading] = useState<number | string>(round(magneticOfTrueDeg(azimuthDeg, declinationDeg)));
  const [pointed, setPointed] = useState("0");
  const isRead = reading !== "" && !Number.isNaN(Number(reading));
  const magnetic = (Number(reading) + OFFSETS[pointed]! + 720) % 360;
  const azimuth = trueOfMagneticDeg(magnetic, declinationDeg);
  const off = fromEquatorDeg(place.latitudeDeg, azimuth);
  return (
    <>
      <div className={styles.pair}>
        <NumberInput id={id} label="Compass shows, ° magnetic" hideControls size="xs" value={reading} onChange={setReading} />
        <DateField label="read on" value={date} onChange={setDate} />
      </div>
      <Select
        label="It pointed"
        size="xs"
        data={POINTED}
        value={pointed}
        onChange={(next) => setPointed(next ?? "0")}
        allowDeselect={false}
        comboboxProps={{ withinPortal: false }}
      />
      <dl className={styles.compass}>
        <dt>Magnetic</dt>
        <dd>{isRead ? `${number(magnetic, 1)}°` : "–"}</dd>
        <dt>True</dt>
        <dd>
          <b>{isRead ? `${number(onCircle(azimuth), 1)}°` : "–"}</b> {isRead && compassPoint(azimuth)}
        </dd>
        <dt>Declination here</dt>
        <dd>
          {`${number(Math.abs(declinationDeg), 1)}° ${declinationDeg < 0 ? "west" : "east"}`}{" "}
          <span>{`World Magnetic Model (${model})${outdated ? ", outside its years" : ""}`}</span>
        </dd>
      </dl>
      <p className={styles.hint}>
        {isRead &&
          (Math.abs(off) < 0.5
            ? "Straight toward the equator."
            : `${number(Math.abs(off), 0)}° ${off > 0 ? "west" : "east"} of straight toward the equator.`)}{" "}
        Stand clear of steel, cables and the inverter; a wall's line is only as true as the wall.
      </p>
      <div className={styles.row}>
        <span />
        <Button disabled={!isRead} onClick={() => take(onCircle(azimuth))}>
          {isRead ? `Use ${number(onCircle(azimuth), 1)}° true` : "Use"}
        </Button>
      </div>
    </>
  );
}
