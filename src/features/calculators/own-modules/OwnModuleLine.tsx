"use client";

import { Button, TextInput } from "@mantine/core";
import { useState } from "react";
import { estimateSpread } from "@/core/module";
import { type ModuleRead, moduleOfLine } from "@/core/typed";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/calculators-modules";
import { writingNow } from "@/wording/writing";
import styles from "../Bench.module.css";
import { moduleOfRead, type OwnModules } from "./use-own-modules";

type Module = OwnModules["all"][string];

const FIGURES = [
  ["vocV", "Voc", "V"],
  ["iscA", "Isc", "A"],
  ["vmpV", "Vmp", "V"],
  ["impA", "Imp", "A"],
  ["cellsInSeries", "cells", ""],
] as const;

/** What was made of a nameplate, estimates with their spread. */
function inWords(module: Module): string {
  const figures = FIGURES.flatMap(([field, name, unit]) => {
    const value = module[field];
    if (value === null) return [];
    const text = `${name} ${number(value, unit === "" ? 0 : 1)}${unit && ` ${unit}`}`;
    return [module.estimated.includes(field) ? say.estimatedAs(text, percent(estimateSpread(module, field), 0)) : text];
  });
  const area = module.areaM2 === null ? [] : [`${number(module.areaM2, 2)} m²`];
  return [`${number(module.pmpW)} W`, ...figures, ...area].join(", ");
}

const nameOf = (read: ModuleRead, taken: readonly string[]): string => {
  const base = read.name ?? say.ownModuleOf(number(read.pmpW ?? 0));
  const free = [base, ...Array.from({ length: 30 }, (_, k) => `${base} ${k + 2}`)].find((name) => !taken.includes(name));
  return read.name ?? free ?? base;
};

/** A module of one's own, typed as its nameplate says it, and kept in this browser for every bench. */
export function OwnModuleLine({ modules: { own, add, drop, all } }: { modules: OwnModules }) {
  const [line, setLine] = useState("");
  const read = moduleOfLine(line, writingNow().decimal);
  const module = moduleOfRead(read);
  const made = module !== null && typeof module !== "string" ? module : null;
  const keep = (): void => {
    if (!made) return;
    add({ name: nameOf(read, Object.keys(all)), line });
    setLine("");
  };
  const doubt = typeof module === "string" ? module : read.unread.length > 0 ? say.notUnderstood(read.unread.join(", ")) : undefined;
  return (
    <div className={styles.ownModule}>
      <TextInput
        label={say.aModuleOfYourOwn}
        placeholder={say.ownModuleExample}
        maxLength={300}
        value={line}
        error={line.trim() === "" ? undefined : doubt}
        description={made ? inWords(made) : undefined}
        inputWrapperOrder={["label", "input", "description", "error"]}
        onChange={(event) => setLine(event.currentTarget.value)}
        onKeyDown={(event) => event.key === "Enter" && keep()}
      />
      <Button variant="default" size="xs" disabled={!made} onClick={keep}>
        {say.keepIt}
      </Button>
      {own.length > 0 && (
        <ul className={`${chapter.soft} ${styles.ownModules}`}>
          {own.map(({ name }) => (
            <li key={name}>
              <b>{name}</b>: {all[name] ? inWords(all[name]) : ""}{" "}
              <Button variant="subtle" size="compact-xs" aria-label={say.dropModule(name)} onClick={() => drop(name)}>
                drop
              </Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
