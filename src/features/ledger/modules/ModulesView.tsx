"use client";

import { Button } from "@mantine/core";
import Link from "next/link";
import { useState } from "react";
import type { Neighbours } from "@/contracts/neighbours";
import type { Site } from "@/core/site";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number, percent } from "@/wording/format";
import { oddNames } from "@/wording/neighbours";
import { say } from "@/wording/screens/ledger-modules";
import { allModulesWorking } from "@/wording/workings/module-working";
import { CauseGroups } from "./CauseGroups";
import { groupsOf } from "./groups";
import { LayNames } from "./LayNames";
import { ModuleDetail } from "./ModuleDetail";
import styles from "./Modules.module.css";
import { PaintedPlan } from "./PaintedPlan";

export interface ModulesViewProps {
  readonly slug: string;
  readonly site: Site;
  readonly version: number;
  /** Null where the book has no readings of single modules. */
  readonly neighbours: Neighbours | null;
  readonly year: string;
}

/** Single modules held against their neighbours: the odd ones, the plan they lie in, and one of them through hours and days. */
export function ModulesView({ slug, site, version, neighbours, year }: ModulesViewProps) {
  const [chosen, choose] = useState<string | null>(neighbours?.odd[0]?.id ?? neighbours?.modules[0]?.id ?? null);
  const [isLaying, setLaying] = useState(false);
  if (!neighbours)
    return (
      <p className={chapter.verdict} data-testid="no-modules">
        {say.noReadingsOfModules} <Link href={`/books/${slug}/readings`}>{say.bringThem}</Link>
        {say.whatTheyTell}
      </p>
    );
  const isOrdered = site.arrays.every(({ moduleIds }) => moduleIds.length === 0);
  return (
    <>
      <ModulesVerdict neighbours={neighbours} />
      {isLaying ? (
        <LayNames slug={slug} site={site} version={version} neighbours={neighbours} close={() => setLaying(false)} />
      ) : (
        <>
          <PaintedPlan slug={slug} site={site} neighbours={neighbours} year={year} chosen={chosen} choose={choose} />
          <p className={chapter.soft}>
            {isOrdered && `${say.laidInOrder} `}
            <Button variant="default" size="compact-sm" onClick={() => setLaying(true)}>
              {say.layNames}
            </Button>
          </p>
          <div className={styles.split}>
            <CauseGroups neighbours={neighbours} chosen={chosen} choose={choose} />
            {chosen !== null && <ModuleDetail slug={slug} neighbours={neighbours} id={chosen} key={chosen} />}
          </div>
        </>
      )}
      <Asides neighbours={neighbours} />
    </>
  );
}

/** Sound modules lie within two spreads as a rule. */
const USUAL_SPREADS = 2;
/** Causes that a sentence can hold. */
const CAUSES_SAID = 3;

function ModulesVerdict({ neighbours }: { readonly neighbours: Neighbours }) {
  const { odd, modules, swapped, spreads } = neighbours;
  const pairs = swapped.map(([a, b]) => say.and(a, b)).join("; ");
  const parts = groupsOf(odd)
    .filter(({ cause }) => cause !== "swapped")
    .slice(0, CAUSES_SAID)
    .map(({ cause, odd: own, perYearKwh }) =>
      say.causeTakes(oddNames[cause], number(perYearKwh), own.length > 1 ? say.manyModules(own.length) : own[0]!.id),
    );
  return (
    <p className={chapter.verdict} data-testid="modules-verdict">
      {odd.length > 0 ? (
        <>
          {say.someGiveLess(odd.length, modules.length)}
          <b className={chapter.clay}>
            <Figure name="modules-lost/all" working={() => allModulesWorking(odd, modules.length)}>
              {number(odd.reduce((sum, { lostPerYearKwh }) => sum + lostPerYearKwh, 0))}
            </Figure>
          </b>
          {say.kwhAYearInAll}
          {parts.length > 0 ? `: ${parts.join(", ")}.` : "."}
        </>
      ) : (
        say.allGiveTheSame(modules.length, percent(USUAL_SPREADS * Math.max(...spreads.map(({ spreadFrac }) => spreadFrac), 0)))
      )}
      {pairs !== "" && say.namesMixedUp(pairs)}
    </p>
  );
}

/** Hours that a module may go unread before it is worth a word: a lit day. */
const WORTH_HOURS = 12;

function Asides({ neighbours: { modules, tooFew, unplaced } }: { readonly neighbours: Neighbours }) {
  const unread = modules
    .filter(({ unreadHours }) => unreadHours > WORTH_HOURS)
    .map(({ id, unreadHours }) => say.hoursOf(id, number(unreadHours)));
  return (
    <>
      {unread.length > 0 && <p className={chapter.soft}>{say.notRead(unread.join(", "))}</p>}
      {tooFew.length > 0 && <p className={chapter.soft}>{say.tooFew(tooFew.join(", "))}</p>}
      {unplaced.length > 0 && <p className={chapter.soft}>{say.unplaced(unplaced.join(", "))}</p>}
    </>
  );
}
