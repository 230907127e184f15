import { Button, NativeSelect, TextInput } from "@mantine/core";
import { NumberField } from "@/features/kit/fields/NumberField";
import { say } from "@/wording/screens/field-book-spot";
import styles from "../FieldBook.module.css";
import type { Position } from "./spot-state";

const FIELDS = [
  ["irradianceWm2", "Light, W/m²"],
  ["moduleTempC", "Back, °C"],
  ["airTempC", "or air, °C"],
  ["vocV", "Voc, V"],
  ["iscA", "Isc, A"],
  ["operatingV", "Working, V"],
  ["operatingA", "Working, A"],
] as const;

interface PositionProps {
  readonly position: Position;
  readonly onChange: (change: Partial<Position>) => void;
  readonly onFocus: () => void;
  readonly onDrop: (() => void) | null;
}

/** Light, warmth and the multimeter at one position. */
export function PositionFields({ position, onChange, onFocus, onDrop }: PositionProps) {
  return (
    <fieldset className={styles.fields} onFocus={onFocus} aria-label={position.name}>
      <TextInput
        className={styles.wide}
        label="Position"
        value={position.name}
        maxLength={60}
        onChange={(event) => onChange({ name: event.currentTarget.value })}
        rightSection={
          onDrop && (
            <Button variant="subtle" size="compact-xs" onClick={onDrop} aria-label={`Drop ${position.name}`}>
              drop
            </Button>
          )
        }
        rightSectionWidth={54}
      />
      {FIELDS.map(([key, label]) => (
        <NumberField
          key={key}
          label={label}
          inputMode="decimal"
          value={position[key] ?? ""}
          onChange={(value) => onChange({ [key]: value })}
        />
      ))}
      <NativeSelect
        label={say.glassBetween}
        value={String(position.panes ?? 0)}
        data={[
          { value: "0", label: say.noGlass },
          { value: "1", label: say.onePane },
          { value: "2", label: say.twoPanes },
        ]}
        onChange={(event) => onChange({ panes: Number(event.currentTarget.value) })}
      />
    </fieldset>
  );
}
