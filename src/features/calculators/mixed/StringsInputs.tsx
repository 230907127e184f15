"use client";

import { Button, NativeSelect } from "@mantine/core";
import type { MixedGroups, MixedPart } from "@/contracts/mixed-string";
import type { ReferenceParameters } from "@/core/module";
import { NumberField } from "@/features/kit/fields/NumberField";
import { CONNECTION_NAMES, say } from "@/wording/screens/calculators-mixed";
import styles from "../Bench.module.css";
import { BenchNote } from "../BenchNote";
import type { BenchProps } from "../bench-views";
import { type NumberFields, typedNumber } from "../use-number-fields";
import { CONNECTIONS, type Connection, connected, connectionOf } from "./mixed-strings";
import { PartFields } from "./PartFields";

type SetPart = (s: number, p: number, change: Partial<MixedPart>) => void;

interface StringsInputsProps {
  readonly groups: MixedGroups;
  readonly circuits: ReadonlyMap<string, ReferenceParameters>;
  readonly site: BenchProps["site"];
  readonly setGroups: (groups: MixedGroups | null) => void;
  readonly prices: NumberFields<"optimiser" | "input">;
  readonly slug: string | null;
  /** For the field book; empty while there is no answer. */
  readonly words: string;
  readonly nowUtcMs: number;
}

export function StringsInputs({ groups, circuits, site, setGroups, prices, slug, words, nowUtcMs }: StringsInputsProps) {
  const { typed, into } = prices;
  const setPart: SetPart = (s, p, change) =>
    setGroups(
      groups.map((group, at) =>
        at === s ? { ...group, parts: group.parts.map((part, k) => (k === p ? { ...part, ...change } : part)) } : group,
      ),
    );
  return (
    <div>
      <ConnectionChoice groups={groups} setGroups={setGroups} />
      {groups.map((group, s) => (
        <StringFields
          // biome-ignore lint/suspicious/noArrayIndexKey: a string is its place on the input
          key={s}
          s={s}
          group={group}
          circuits={circuits}
          setPart={setPart}
          site={site}
          setGroup={(next) => setGroups(groups.map((own, at) => (at === s ? next : own)))}
        />
      ))}
      <Button variant="subtle" size="compact-sm" onClick={() => setGroups([...groups, { ...groups.at(-1)!, alike: 1 }])}>
        {say.anotherStringBesideIt}
      </Button>
      {groups.length > 1 && (
        <Button variant="subtle" size="compact-sm" onClick={() => setGroups(groups.slice(0, -1))}>
          Drop the last string
        </Button>
      )}
      <Button variant="subtle" size="compact-sm" onClick={() => setGroups(null)}>
        {say.beginAnew}
      </Button>
      <div className={styles.inputs}>
        <NumberField label={say.electronicsAtAModule(site.currency)} min={0} value={typed.optimiser} onChange={into("optimiser")} />
        <NumberField label={say.anInputOfItsOwn(site.currency)} min={0} value={typed.input} onChange={into("input")} />
      </div>
      <BenchNote slug={slug} nowUtcMs={nowUtcMs} words={words} />
    </div>
  );
}

const AS_SET = "as-set";

/** Series or parallel, in one choice for all the modules there are. */
function ConnectionChoice({ groups, setGroups }: { groups: MixedGroups; setGroups: StringsInputsProps["setGroups"] }) {
  const now = connectionOf(groups);
  const choices = CONNECTIONS.map((connection) => ({
    value: connection,
    label: CONNECTION_NAMES[connection],
    disabled: connected(groups, connection) === null,
  }));
  return (
    <NativeSelect
      className={styles.connect}
      label={say.connectThem}
      value={now ?? AS_SET}
      data={now === null ? [...choices, { value: AS_SET, label: say.asSetBelow }] : choices}
      onChange={({ currentTarget }) => {
        const made = connected(groups, currentTarget.value as Connection);
        if (made) setGroups(made);
      }}
    />
  );
}

interface StringFieldsProps {
  readonly s: number;
  readonly group: MixedGroups[number];
  readonly circuits: ReadonlyMap<string, ReferenceParameters>;
  readonly setPart: SetPart;
  readonly site: BenchProps["site"];
  readonly setGroup: (group: MixedGroups[number]) => void;
}

function StringFields({ s, group, circuits, setPart, site, setGroup }: StringFieldsProps) {
  const { parts, alike } = group;
  const inSeries = parts.reduce((sum, { count }) => sum + count, 0);
  return (
    <fieldset className={styles.string}>
      <legend>{say.stringInSeries(s + 1, inSeries, alike)}</legend>
      {parts.map((part, p) => (
        <PartFields
          // biome-ignore lint/suspicious/noArrayIndexKey: a part is its place in the string
          key={p}
          part={part}
          names={[...circuits.keys()]}
          onChange={(change) => setPart(s, p, change)}
          groups={(name) => Math.max(1, site.modules[name]!.bypassDiodes || 1)}
        />
      ))}
      <div className={styles.stringFoot}>
        <NumberField
          className={styles.stringsAlike}
          label={say.soManyStringsAlike}
          min={1}
          max={12}
          isWhole
          value={alike}
          onChange={(value) => setGroup({ ...group, alike: Math.min(12, Math.max(1, typedNumber(value, 1))) })}
        />
        <Button
          variant="subtle"
          size="compact-xs"
          onClick={() => setGroup({ ...group, parts: [...parts, { ...parts.at(-1)!, count: 1 }] })}
        >
          {say.otherModulesInThisString}
        </Button>
        {parts.length > 1 && (
          <Button variant="subtle" size="compact-xs" onClick={() => setGroup({ ...group, parts: parts.slice(0, -1) })}>
            drop the last
          </Button>
        )}
      </div>
    </fieldset>
  );
}
