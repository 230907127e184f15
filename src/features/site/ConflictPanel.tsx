import { Button, SegmentedControl } from "@mantine/core";
import { useState } from "react";
import type { SiteDocument } from "@/contracts/site";
import { type FieldClash, withField } from "@/core/site";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { DataTable } from "@/features/kit/table/DataTable";
import { fieldInWords } from "@/wording/fields";
import { say } from "@/wording/screens/site";
import styles from "./SiteChapter.module.css";
import type { Conflict, SiteDraft } from "./use-site-draft";

const shown = (value: unknown): string => {
  if (value === undefined) return "not there";
  if (value === null) return "left open";
  const text = typeof value === "string" ? value : JSON.stringify(value);
  return text.length > 80 ? `${text.slice(0, 77)} …` : text;
};

/** Another window saved first: what both changed is listed field by field and chosen; the rest is put together by itself. */
export function ConflictPanel({ conflict, draft }: { conflict: Conflict; draft: SiteDraft }) {
  const { clashes, taken, merged } = conflict.merge;
  const [theirs, setTheirs] = useState<ReadonlySet<number>>(new Set());
  const settle = (): void => {
    const document = clashes.reduce<unknown>(
      (site, clash, k) => (theirs.has(k) ? withField(site, clash.path, clash.theirs) : site),
      merged,
    );
    draft.settle(document as SiteDocument);
  };
  const choose = (k: number, side: string): void => {
    const next = new Set(theirs);
    if (side === "theirs") next.add(k);
    else next.delete(k);
    setTheirs(next);
  };
  return (
    <section className={styles.conflict} aria-labelledby="conflict-title">
      <h2 id="conflict-title">{say.anotherWindowChangedTheSame(clashes.length === 1 ? "field" : "fields")}</h2>
      <p>
        {say.nothingIsLostChooseForEach}
        {taken.length > 0 && say.moreThatOnlyTheOtherWindow(taken.length, taken.length === 1 ? "is" : "are")}
      </p>
      <ClashTable clashes={clashes} theirs={theirs} choose={choose} />
      <div className={chapter.actions}>
        <Button onClick={settle}>{say.saveBothTogether}</Button>
        <Button variant="subtle" onClick={draft.dismissConflict}>
          {say.goOnEditing}
        </Button>
      </div>
    </section>
  );
}

interface ClashTableProps {
  readonly clashes: readonly FieldClash[];
  readonly theirs: ReadonlySet<number>;
  readonly choose: (k: number, side: string) => void;
}

function ClashTable({ clashes, theirs, choose }: ClashTableProps) {
  return (
    <ScrollBox label={say.fieldsChangedTwice}>
      <DataTable
        className={chapter.table}
        rows={clashes}
        rowKey={(clash) => clash.path.join(".")}
        columns={[
          { key: "field", head: "field", cell: (clash) => fieldInWords(clash.path) },
          { key: "was", head: "was", cell: (clash) => shown(clash.before) },
          { key: "here", head: "here", cell: (clash) => shown(clash.mine) },
          { key: "other-window", head: "other window", cell: (clash) => shown(clash.theirs) },
          {
            key: "keep",
            head: "keep",
            cell: (clash, k) => (
              <>
                <SegmentedControl
                  size="xs"
                  data={[
                    { value: "mine", label: "here" },
                    { value: "theirs", label: "other" },
                  ]}
                  value={theirs.has(k) ? "theirs" : "mine"}
                  onChange={(side) => choose(k, side)}
                  aria-label={`Keep for ${fieldInWords(clash.path)}`}
                />
              </>
            ),
          },
        ]}
      />
    </ScrollBox>
  );
}

/** Entries that another window, open or closed, has not saved. */
export function OtherDrafts({ draft }: { draft: SiteDraft }) {
  return draft.others.map((other) => (
    <p key={other.tab} className={styles.other}>
      {say.anotherWindowHoldsUnsavedEntriesOf(new Date(other.at).toLocaleString([], { dateStyle: "medium", timeStyle: "short" }))}
      <Button size="compact-xs" variant="default" onClick={() => draft.takeOver(other)}>
        {say.bringThemHere}
      </Button>{" "}
      <Button size="compact-xs" variant="subtle" onClick={() => draft.forget(other)}>
        Forget them
      </Button>
    </p>
  ));
}
