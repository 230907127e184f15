import { Checkbox } from "@mantine/core";
import { say } from "@/wording/screens/field-book-inverter";
import styles from "../FieldBook.module.css";
import { SHUTDOWN, STARTUP } from "./shutdown-order";

/** Shutting down and starting up, to be ticked off. */
export function OrderLists() {
  return (
    <>
      <h2>{say.shuttingDownInThisOrder}</h2>
      <ol className={styles.steps}>
        {SHUTDOWN.map((step) => (
          <li key={step}>
            <Checkbox label={step} />
          </li>
        ))}
      </ol>
      <h2>Starting up</h2>
      <ol className={styles.steps}>
        {STARTUP.map((step) => (
          <li key={step}>
            <Checkbox label={step} />
          </li>
        ))}
      </ol>
    </>
  );
}
