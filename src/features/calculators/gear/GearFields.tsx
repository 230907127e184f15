import { NativeSelect } from "@mantine/core";
import { AIRINGS, BATTERY_KINDS, type BatteryKind, COLOURS, GEAR_PLACES, type GearStanding } from "@/core/gear";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { measure, percent } from "@/wording/format";
import { AIRING_NAMES, BATTERY_NAMES, COLOUR_NAMES, GEAR_PLACE_NAMES, say } from "@/wording/screens/calculators-gear";
import bench from "../Bench.module.css";
import type { NumberFields } from "../use-number-fields";

/** Where nobody knows better: full power to this air, and this share less a kelvin from there. */
export const USUAL_LIMIT = { fullToC: 45, perKPercent: 2.5 } as const;

interface StandingFieldsProps {
  readonly standing: GearStanding;
  readonly setStanding: (standing: GearStanding) => void;
}

/** Where it stands, in plain choices. */
export function StandingFields({ standing, setStanding }: StandingFieldsProps) {
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

export type GearFields = NumberFields<"fullToC" | "perKPercent" | "ratedYears" | "batteryCost" | "moreM" | "mm2">;

interface LimitFieldsProps {
  readonly fields: GearFields;
  readonly battery: BatteryKind | "none";
  readonly setBattery: (battery: BatteryKind | "none") => void;
  readonly currency: string;
  /** Whether the book knows how its rating falls. */
  readonly isKnown: boolean;
}

/** How its rating falls with heat, its battery, and the cable that moving would take. */
export function LimitFields({ fields: { typed, into }, battery, setBattery, currency, isKnown }: LimitFieldsProps) {
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
          <>
            <NumberField
              label={say.ratedFor}
              unit="years"
              min={0.5}
              max={40}
              placeholder={say.byItsSheet}
              value={typed.ratedYears}
              onChange={into("ratedYears")}
            />
            <NumberField label={say.aNewOne} unit={currency} min={0} value={typed.batteryCost} onChange={into("batteryCost")} />
          </>
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
