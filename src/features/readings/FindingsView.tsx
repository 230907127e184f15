"use client";

import { Button } from "@mantine/core";
import { useState } from "react";
import type { BookFinding, Examination } from "@/contracts/examination";
import type { Remedy } from "@/core/quality";
import { tell } from "@/features/data/ask";
import { useChange } from "@/features/data/use-change";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { findingInWords } from "@/wording/findings/quality";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/readings";
import { findingWorking } from "@/wording/workings/finding-working";
import { FindingPicture } from "./FindingPicture";
import styles from "./ReadingsChapter.module.css";

interface Props {
  readonly slug: string;
  readonly timeZone: string;
  readonly examination: Examination;
}

/** A remedy this sure may be taken with the others at once. */
const SURE_FRAC = 0.9;

interface DecisionToMake {
  readonly findingKey: string;
  readonly state: "accepted" | "refused" | null;
  readonly remedy?: Remedy | null;
}

/** What stands decided about a finding on this page. */
const stateOf = (findings: Examination["findings"], key: string) =>
  findings.find((finding) => finding.key === key)?.decision?.state ?? null;

/** What the examination found, one by one: where, how much, why, and what may be done about it. */
export function FindingsView({ slug, timeZone, examination }: Props) {
  const [open, setOpen] = useState<string | null>(null);
  const { findings } = examination;
  const { run: decide, refusal } = useChange((decisions: readonly DecisionToMake[]) =>
    tell("POST", `/api/books/${slug}/examination`, {
      decisions: decisions.map((decision) => ({ ...decision, was: stateOf(findings, decision.findingKey) })),
    }),
  );
  const ready = findings.filter(({ decision, remedy, confidenceFrac }) => !decision && remedy && confidenceFrac >= SURE_FRAC);
  const taken = findings.filter(({ decision }) => decision !== null);
  return (
    <>
      <p className={chapter.verdict} data-testid="findings-verdict">
        {verdict(examination)}
      </p>
      {refusal && <Refused refusal={refusal} />}
      <div className={chapter.actions}>
        {ready.length > 0 && (
          <Button onClick={() => decide(ready.map(({ key }) => ({ findingKey: key, state: "accepted" })))}>
            {ready.length === 1 ? say.acceptTheOneThatIsSure : say.acceptTheThatAreSure(ready.length)}
          </Button>
        )}
        {taken.length > 0 && (
          <Button variant="default" onClick={() => decide(taken.map(({ key }) => ({ findingKey: key, state: null })))}>
            {say.takeAllDecisionsBack}
          </Button>
        )}
        <span className={chapter.soft}>{say.rawReadingsNeverChangeTheLedger}</span>
      </div>
      <ol className={styles.findings}>
        {findings.map((finding) => (
          <FindingRow
            key={finding.key}
            finding={finding}
            timeZone={timeZone}
            examination={examination}
            open={open === finding.key}
            toggle={() => setOpen(open === finding.key ? null : finding.key)}
            decide={(state, remedy) => decide([{ findingKey: finding.key, state, remedy: remedy ?? null }])}
          />
        ))}
      </ol>
    </>
  );
}

function verdict({ findings, byWeather, series, spans }: Examination): string {
  if (series.length === 0 && spans.length === 0) return say.noProductionStandsInThisBook;
  const open = findings.filter(({ decision, remedy }) => !decision && remedy).length;
  const measure = byWeather ? say.theWeatherThatCame : say.aCloudlessSkySinceNoWeather;
  if (findings.length === 0) return say.nothingIsWrongWithTheRecord(measure);
  const offered = findings.some(({ remedy }) => remedy);
  const left = !offered
    ? say.nothingNeedsYourWord
    : open === 0
      ? say.everyRemedyIsDecided
      : say.forYourWord(open, open === 1 ? "remedy waits" : "remedies wait");
  return `${findings.length} ${findings.length === 1 ? "finding" : "findings"} against ${measure}; ${left}.`;
}

interface RowProps {
  readonly finding: BookFinding;
  readonly timeZone: string;
  readonly examination: Examination;
  readonly open: boolean;
  readonly toggle: () => void;
  readonly decide: (state: "accepted" | "refused" | null, remedy?: Remedy) => void;
}

function FindingRow({ finding, timeZone, examination, open, toggle, decide }: RowProps) {
  const words = findingInWords(finding, timeZone);
  const { decision, remedy } = finding;
  const needsLook = !decision && (remedy !== null || finding.kind !== "gap");
  return (
    <li data-state={decision?.state ?? (needsLook ? "open" : "seen")} data-kind={finding.kind}>
      <div className={styles.findingHead}>
        <button type="button" onClick={toggle} aria-expanded={open}>
          <b>{words.title}</b> {words.what}
        </button>
        <span className={styles.findingState}>
          {decision?.state === "accepted" ? "accepted" : decision?.state === "refused" ? say.leftAsItIs : remedy ? "open" : "noted"}
        </span>
        <span className={styles.findingActions}>
          {!decision && remedy && (
            <>
              <Button size="compact-xs" onClick={() => decide("accepted")}>
                {words.proposal.replace(/\.$/, "")}
              </Button>
              <Button size="compact-xs" variant="default" onClick={() => decide("refused")}>
                Leave it
              </Button>
            </>
          )}
          {decision && (
            <Button size="compact-xs" variant="subtle" onClick={() => decide(null)}>
              Take back
            </Button>
          )}
        </span>
      </div>
      {open && (
        <div className={styles.findingBody}>
          <p>
            {words.evidence} <Figure working={() => findingWorking(finding, timeZone)}>{percent(finding.confidenceFrac, 0)} sure</Figure>
            {finding.kwh !== null && <span className={chapter.soft}>{say.kwhAsRecorded(number(finding.kwh, 1))}</span>} · meter{" "}
            {finding.meterId}
          </p>
          <FindingPicture finding={finding} examination={examination} timeZone={timeZone} />
          {remedy && !decision && <ChangeRemedy remedy={remedy} decide={(changed) => decide("accepted", changed)} />}
        </div>
      )}
    </li>
  );
}

/** Another factor, shift or reading than the one proposed. */
function ChangeRemedy({ remedy, decide }: { remedy: Remedy; decide: (changed: Remedy) => void }) {
  const initial = remedy.op === "scale" ? remedy.factor : remedy.op === "shift" ? remedy.minutes : "kwh" in remedy ? remedy.kwh : null;
  const [value, setValue] = useState<number | string>(initial ?? "");
  if (initial === null) return null;
  const label = remedy.op === "scale" ? "Multiply by" : remedy.op === "shift" ? say.moveLaterByMinutes : "Reading, kWh";
  const changed = (): Remedy =>
    remedy.op === "scale"
      ? { ...remedy, factor: Number(value) }
      : remedy.op === "shift"
        ? { ...remedy, minutes: Number(value) }
        : ({ ...remedy, kwh: Number(value) } as Remedy);
  return (
    <div className={styles.line}>
      <NumberField size="xs" label={label} value={value} onChange={setValue} decimalScale={6} />
      <Button size="compact-sm" variant="default" disabled={value === "" || Number(value) === initial} onClick={() => decide(changed())}>
        {say.acceptWithThis}
      </Button>
    </div>
  );
}
