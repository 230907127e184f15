"use client";

import { Button } from "@mantine/core";
import Link from "next/link";
import { useState } from "react";
import type { Neighbours } from "@/contracts/neighbours";
import type { Site } from "@/core/site";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number, percent } from "@/wording/format";
import { lossUnit, oddNames } from "@/wording/neighbours";
import { say } from "@/wording/screens/ledger-modules";
import { allModulesWorking, causeGroupWorking, spreadWorking } from "@/wording/workings/module-working";
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
  const { odd, modules, swapped } = neighbours;
  if (modules.length === 0) return <p className={chapter.verdict}>{say.noneHasNeighbours}</p>;
  const pairs = swapped.map(([a, b]) => say.and(a, b)).join("; ");
  const less = odd.filter(({ told }) => told.kwh > 0);
  return (
    <p className={chapter.verdict} data-testid="modules-verdict">
      {less.length > 0 ? <LessSentence neighbours={neighbours} less={less} /> : <EqualSentence neighbours={neighbours} />}
      {pairs !== "" && say.namesMixedUp(pairs)}
    </p>
  );
}

function LessSentence({ neighbours, less }: { readonly neighbours: Neighbours; readonly less: Neighbours["odd"] }) {
  const groups = groupsOf(less).filter(({ cause }) => cause !== "swapped");
  return (
    <>
      {say.someGiveLess(less.length, neighbours.modules.length)}
      <b className={chapter.clay}>
        <Figure name="modules-lost/all" working={() => allModulesWorking(less, neighbours.modules.length, neighbours)}>
          {number(less.reduce((sum, { told }) => sum + told.kwh, 0))}
        </Figure>
      </b>{" "}
      {say.inAllOf(lossUnit(neighbours))}
      {groups.slice(0, CAUSES_SAID).map((group, k) => (
        <span key={group.cause}>
          {k === 0 ? ": " : ", "}
          <Figure name={`modules-lost/${group.cause}`} working={() => causeGroupWorking(group, neighbours)}>
            {number(group.kwh)}
          </Figure>
          {say.causeTakes(oddNames[group.cause], group.odd.length > 1 ? say.manyModules(group.odd.length) : group.odd[0]!.id)}
        </span>
      ))}
      .
    </>
  );
}

function EqualSentence({ neighbours: { modules, spreads } }: { readonly neighbours: Neighbours }) {
  const half = percent(USUAL_SPREADS * Math.max(...spreads.map(({ spreadFrac }) => spreadFrac)));
  return (
    <>
      {say.allGiveTheSame(modules.length)}
      <Figure name="modules-spread/all" working={() => spreadWorking(spreads, half)}>
        {half}
      </Figure>
      {say.onEitherSide}
    </>
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
