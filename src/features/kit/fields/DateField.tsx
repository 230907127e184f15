import styles from "./DateField.module.css";

interface DateFieldProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly type?: "date" | "datetime-local";
  /** The label is for those who do not see the field. */
  readonly quiet?: boolean;
}

/** A day, or a day and hour, by the browser's own picker in the product's dress. */
export function DateField({ label, value, onChange, type = "date", quiet = false }: DateFieldProps) {
  return (
    <label className={styles.date}>
      {!quiet && label}
      <input type={type} aria-label={quiet ? label : undefined} value={value} onChange={(event) => onChange(event.currentTarget.value)} />
    </label>
  );
}
