import { Button, Select } from "@mantine/core";
import { type Dispatch, type SetStateAction, useId, useState } from "react";
import { compassPoint, fromEquatorDeg, magneticDeclination, magneticOfTrueDeg, trueOfMagneticDeg } from "@/core/geometry";
import { DateField } from "@/features/kit/fields/DateField";
import { NumberField } from "@/features/kit/fields/NumberField";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/kit-angles";
import styles from "./Angle.module.css";
import { onCircle, round } from "./tenths";

/** Coordinates, north and east positive. */
export interface At {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
}

const POINTED = [
  { value: "0", label: say.whereTheModulesLook },
  { value: "90", label: say.upTheSlope },
  { value: "along", label: say.alongTheLowerEdgeLeftTo },
];
const OFFSETS: Readonly<Record<string, number>> = { "0": 0, "90": 180, along: -90 };

/** A compass reading at a place and on a day, magnetic and true together. */
export function CompassTool({
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
        <NumberField id={id} label={say.compassShowsMagnetic} size="xs" value={reading} onChange={setReading} />
        <DateField label="read on" value={date} onChange={setDate} />
      </div>
      <PointedAlong pointed={pointed} setPointed={setPointed} />
      <CompassReading
        isRead={isRead}
        magnetic={magnetic}
        azimuth={azimuth}
        declinationDeg={declinationDeg}
        model={model}
        outdated={outdated}
      />
      <p className={styles.hint}>
        {isRead &&
          (Math.abs(off) < 0.5
            ? say.straightTowardTheEquator
            : say.ofStraightTowardTheEquator(number(Math.abs(off), 0), off > 0 ? "west" : "east"))}
        {say.standClearOfSteelCablesAnd}
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

interface PointedAlongProps {
  readonly pointed: string;
  readonly setPointed: Dispatch<SetStateAction<string>>;
}

/** What the compass lay along. */
function PointedAlong({ pointed, setPointed }: PointedAlongProps) {
  return (
    <Select
      label="It pointed"
      size="xs"
      data={POINTED}
      value={pointed}
      onChange={(next) => setPointed(next ?? "0")}
      allowDeselect={false}
      comboboxProps={{ withinPortal: false }}
    />
  );
}

interface CompassReadingProps {
  readonly isRead: boolean;
  readonly magnetic: number;
  readonly azimuth: number;
  readonly declinationDeg: number;
  readonly model: string;
  readonly outdated: boolean;
}

function CompassReading({ isRead, magnetic, azimuth, declinationDeg, model, outdated }: CompassReadingProps) {
  return (
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
        <span>{say.worldMagneticModel(model, outdated ? say.outsideItsYears : "")}</span>
      </dd>
    </dl>
  );
}
