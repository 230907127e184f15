"use client";

import { Modal } from "@mantine/core";
import { useDisclosure, useHotkeys } from "@mantine/hooks";
import { useState } from "react";
import { GLOSSARY, type GlossaryTerm } from "@/wording/glossary";
import { KEYS, say } from "@/wording/screens/shell";
import styles from "./HelpPanel.module.css";

/** Terms that labels of the page carry, in their order. */
function termsOnPage(): GlossaryTerm[] {
  const names = [...document.querySelectorAll<HTMLElement>("main [data-term]")].map(({ dataset }) => dataset.term);
  return [...new Set(names)].flatMap((name) => GLOSSARY.find(({ term }) => term === name) ?? []);
}

/** Opens with a question mark: the keys that work everywhere, and what the words of this page mean. */
export function HelpPanel() {
  const [opened, { open, close }] = useDisclosure(false);
  const [terms, setTerms] = useState<readonly GlossaryTerm[]>([]);
  useHotkeys([
    [
      "shift + ?",
      () => {
        setTerms(termsOnPage());
        open();
      },
    ],
  ]);
  return (
    <Modal opened={opened} onClose={close} title={say.help} size={640} transitionProps={{ duration: 0 }}>
      <h2 className={styles.head}>{say.keys}</h2>
      <dl className={styles.list}>
        {KEYS.map(({ keys, what }) => (
          <div key={keys}>
            <dt>
              <kbd>{keys}</kbd>
            </dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
      <h2 className={styles.head}>{say.wordsOnThisPage}</h2>
      {terms.length === 0 && <p>{say.noWordsOnThisPage}</p>}
      <dl className={styles.list}>
        {terms.map(({ term, what }) => (
          <div key={term}>
            <dt>{term}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </Modal>
  );
}
