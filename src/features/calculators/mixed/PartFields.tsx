import { NativeSelect, Slider } from "@mantine/core";
import type { MixedPart } from "@/contracts/mixed-string";
import { NumberField } from "@/features/kit/fields/NumberField";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/calculators-mixed";
import styles from "../Bench.module.css";
import { typedNumber } from "../use-number-fields";

interface PartProps {
  readonly part: MixedPart;
  readonly names: readonly string[];
  readonly groups: (module: string) => number;
  readonly onChange: (change: Partial<MixedPart>) => void;
}

/** Like modules of a string: which, how many, how they lie, and what light reaches them. */
export function PartFields({ part, names, groups, onChange }: PartProps) {
  const light = part.groupLightFrac[0] ?? 1;
  return (
    <>
      <div className={styles.part}>
        <NativeSelect
          label="Module"
          data={[...names]}
          value={part.module}
          onChange={(event) =>
            onChange({
              module: event.currentTarget.value,
              groupLightFrac: new Array<number>(groups(event.currentTarget.value)).fill(light),
            })
          }
        />
        <NumberField label="How many" min={1} isWhole value={part.count} onChange={(value) => onChange({ count: typedNumber(value, 1) })} />
        <NumberField
          label="Tilt"
          unit="°"
          min={0}
          max={90}
          value={part.tiltDeg}
          onChange={(value) => onChange({ tiltDeg: typedNumber(value, 0) })}
        />
        <NumberField
          label="Azimuth"
          unit="°"
          min={0}
          max={360}
          value={part.azimuthDeg}
          onChange={(value) => onChange({ azimuthDeg: typedNumber(value, 180) })}
        />
        <NumberField
          label="Cells"
          unit="°C"
          min={-40}
          max={110}
          value={part.cellTempC}
          onChange={(value) => onChange({ cellTempC: typedNumber(value, 25) })}
        />
        <LightField part={part} onChange={onChange} light={light} />
      </div>
      <LightSliders part={part} onChange={onChange} light={light} />
    </>
  );
}

interface LightFieldProps {
  readonly part: PartProps["part"];
  readonly onChange: (change: Partial<MixedPart>) => void;
  readonly light: number;
}

function LightField({ part, onChange, light }: LightFieldProps) {
  return (
    <NumberField
      label="Groups lit"
      min={0}
      max={part.groupLightFrac.length}
      value={part.groupLightFrac.filter((share) => share > 0).length}
      onChange={(value) =>
        onChange({
          groupLightFrac: part.groupLightFrac.map((_, g) =>
            g < typedNumber(value, part.groupLightFrac.length) ? Math.max(light, 0.01) : 0,
          ),
        })
      }
    />
  );
}

interface LightSlidersProps {
  readonly part: PartProps["part"];
  readonly onChange: (change: Partial<MixedPart>) => void;
  readonly light: number;
}

function LightSliders({ part, onChange, light }: LightSlidersProps) {
  return (
    <div className={styles.slide}>
      <span>Sky, W/m²</span>
      <Slider
        label={(value) => `${value} W/m²`}
        min={0}
        max={1200}
        step={5}
        value={part.irradianceWm2}
        onChange={(irradianceWm2) => onChange({ irradianceWm2 })}
        thumbLabel={say.lightOnTheseModules}
      />
      <span>{number(part.irradianceWm2)}</span>
      <span>reaches it, %</span>
      <Slider
        label={(value) => `${value} %`}
        min={0}
        max={100}
        value={Math.round(light * 100)}
        onChange={(value) => onChange({ groupLightFrac: part.groupLightFrac.map((share) => (share > 0 || light === 0 ? value / 100 : 0)) })}
        thumbLabel={say.shareOfTheLightThatReaches}
      />
      <span>{number(light * 100)}</span>
    </div>
  );
}
