"use client";

import { Drawer } from "@mantine/core";
import { createContext, type ReactNode, useCallback, useContext, useMemo, useState } from "react";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { say } from "@/wording/screens/kit-workings";
import type { Working } from "@/wording/workings/working";
import styles from "./WorkingPanel.module.css";

const OpenWorking = createContext<(working: Working) => void>(() => {});

/** Opens a figure's working from anywhere below. */
export const useOpenWorking = () => useContext(OpenWorking);

export function WorkingProvider({ children }: { children: ReactNode }) {
  const [working, setWorking] = useState<Working | null>(null);
  const [opened, setOpened] = useState(false);
  const open = useCallback((next: Working) => {
    setWorking(next);
    setOpened(true);
  }, []);
  const title = useMemo(() => <span className={styles.title}>Working</span>, []);
  return (
    <OpenWorking.Provider value={open}>
      {children}
      <Drawer
        opened={opened}
        onClose={() => setOpened(false)}
        position="right"
        size={420}
        title={title}
        closeButtonProps={{ "aria-label": say.closeTheWorking }}
        transitionProps={{ duration: 110 }}
        classNames={{ content: styles.content!, header: styles.header! }}
      >
        {working && <WorkingSheet working={working} />}
      </Drawer>
    </OpenWorking.Provider>
  );
}

function WorkingSheet({ working }: { working: Working }) {
  return (
    <article className={styles.sheet} data-testid="working">
      <h2 className={styles.name}>{working.title}</h2>
      <p className={styles.value}>
        {working.value} <small>{working.unit}</small>
      </p>
      <h3 className={styles.label}>Formula</h3>
      <p className={styles.formula}>{working.formula}</p>
      <h3 className={styles.label}>Inputs</h3>
      <RuledTable className={styles.inputs}>
        <tbody>
          {working.inputs.map((input) => (
            <tr key={input.name}>
              <th scope="row">
                {input.name}
                <small>{input.from}</small>
              </th>
              <td>{input.value}</td>
            </tr>
          ))}
        </tbody>
      </RuledTable>
      <h3 className={styles.label}>Source</h3>
      <p>{working.source}</p>
      <h3 className={styles.label}>Assumptions</h3>
      <ul className={styles.assumptions}>
        {working.assumptions.map((assumption) => (
          <li key={assumption}>{assumption}</li>
        ))}
      </ul>
    </article>
  );
}
