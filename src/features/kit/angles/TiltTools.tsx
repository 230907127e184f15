import { Button, SegmentedControl, Select } from "@mantine/core";
import { type Dispatch, type SetStateAction, useState } from "react";
import { SideView } from "@/charts";
import {
  equatorAzimuthDeg,
  fromEquatorDeg,
  fromVerticalDeg,
  noonElevationDeg,
  noonInFront,
  riseOfTilt,
  spencerDeclinationDeg,
  tiltOfPhone,
  tiltOfPlumb,
  tiltOfRise,
} from "@/core/geometry";
import { NumberField } from "@/features/kit/fields/NumberField";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/kit-angles";
import styles from "./Angle.module.css";
import { round } from "./tenths";

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

/** The ways in which people measure a tilt, beside the noon sun of a chosen day. */
export function TiltTools({
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
  const declinationDeg = spencerDeclinationDeg(Number(day));
  const noonDeg = noonElevationDeg(latitudeDeg, declinationDeg);
  const equator = equatorAzimuthDeg(latitudeDeg) === 0 ? "north" : "south";
  const looks = Math.abs(fromEquatorDeg(latitudeDeg, azimuthDeg)) <= 90;
  return (
    <>
      <SegmentedControl
        size="xs"
        fullWidth
        data={[...WAYS]}
        value={way}
        onChange={(next) => choose(next)}
        aria-label={say.howTheTiltWasMeasured}
      />
      <WayFields way={way} one={one} setOne={setOne} two={two} setTwo={setTwo} />
      <p className={styles.hint}>{HINTS[way]}</p>
      <TiltPicture
        shown={shown}
        looks={looks}
        equator={equator}
        noonDeg={noonDeg}
        latitudeDeg={latitudeDeg}
        azimuthDeg={azimuthDeg}
        declinationDeg={declinationDeg}
      />
      <TakeTilt day={day} setDay={setDay} read={read} take={take} />
    </>
  );
}

interface TakeTiltProps {
  readonly day: string;
  readonly setDay: Dispatch<SetStateAction<string>>;
  readonly read: number | null;
  readonly take: (tilt: number) => void;
}

/** The day it was measured on, and the answer. */
function TakeTilt({ day, setDay, read, take }: TakeTiltProps) {
  return (
    <div className={styles.row}>
      <Select
        label={say.noonSunOf}
        size="xs"
        data={DAYS}
        value={day}
        onChange={(next) => setDay(next ?? "355")}
        allowDeselect={false}
        comboboxProps={{ withinPortal: false }}
      />
      <Button disabled={read === null} onClick={() => read !== null && take(read)}>
        {read === null ? "Use" : say.toUseFromFlat(number(read, 1))}
      </Button>
    </div>
  );
}

interface WayFieldsProps {
  readonly way: "upright" | "rise" | "plumb" | "phone";
  readonly one: string | number;
  readonly setOne: Dispatch<SetStateAction<string | number>>;
  readonly two: string | number;
  readonly setTwo: Dispatch<SetStateAction<string | number>>;
}

function WayFields({ way, one, setOne, two, setTwo }: WayFieldsProps) {
  return (
    <div className={styles.pair}>
      {way === "upright" && <Field label={say.angleFromUpright} value={one} set={setOne} />}
      {way === "rise" && (
        <>
          <Field label="Rise" value={one} set={setOne} />
          <Field label={say.overARunOf} value={two} set={setTwo} />
        </>
      )}
      {way === "plumb" && (
        <>
          <Field label={say.crossesTheFlatArmAt} value={one} set={setOne} />
          <Field label={say.hungThisFarUpTheOther} value={two} set={setTwo} />
        </>
      )}
      {way === "phone" && (
        <>
          <Field label="Phone shows, °" value={one} set={setOne} />
          <Field label="turned round, °" value={two} set={setTwo} />
        </>
      )}
    </div>
  );
}

interface TiltPictureProps {
  readonly shown: number;
  readonly looks: boolean;
  readonly equator: "north" | "south";
  readonly noonDeg: number;
  readonly latitudeDeg: number;
  readonly azimuthDeg: number;
  readonly declinationDeg: number;
}

function TiltPicture({ shown, looks, equator, noonDeg, latitudeDeg, azimuthDeg, declinationDeg }: TiltPictureProps) {
  return (
    <svg width={388} height={150} role="img" aria-label={say.sideViewDegreesFromFlat(number(shown, 1))}>
      <SideView
        width={388}
        height={150}
        tiltDeg={shown}
        slantM={2}
        baseHeightM={0.4}
        front={looks ? say.towardTheEquator(equator) : say.awayFromTheEquator}
        suns={[
          {
            label: `noon ${number(Math.max(0, noonDeg))}°`,
            elevationDeg: noonDeg,
            front: noonInFront(latitudeDeg, azimuthDeg, declinationDeg),
          },
        ]}
      />
    </svg>
  );
}

const HINTS: Readonly<Record<Way, string>> = {
  upright: say.measuredAgainstAWallOrA,
  rise: say.ofTheRoofBothInOne,
  plumb: say.layOneArmOfACarpenters,
  phone: say.layItsLongEdgeOnThe,
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
  return <NumberField id={id} label={label} size="xs" value={value} onChange={set} />;
}
