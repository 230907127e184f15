"use client";

import { Button } from "@mantine/core";
import { type Dispatch, type SetStateAction, useState } from "react";
import { DaySeries } from "@/charts";
import type { TrainerCase } from "@/contracts/trainer";
import { NumberField } from "@/features/kit/fields/NumberField";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import styles from "@/features/ledger/attribution/Causes.module.css";
import { monthName, number } from "@/wording/format";
import { say } from "@/wording/screens/trainer";
import { answerWorking, leftWorking, missingWorking } from "@/wording/workings/trainer-working";

const ACCOUNTS = ["snow", "soiling", "downtime", "dataGap"] as const;
type Posted = Partial<Record<(typeof ACCOUNTS)[number], number | string>>;

/** A posting within this share of the truth counts as found. */
const NEAR_FRAC = 0.25;

/** Six short made-up cases: post the kilowatt-hours, then compare with the truth. */
export function TrainerPage({ cases }: { cases: readonly TrainerCase[] }) {
  const [at, setAt] = useState(0);
  const [right, setRight] = useState<Readonly<Record<string, boolean>>>({});
  const one = cases[at]!;
  return (
    <div className={chapter.page}>
      <h1>{say.trainerWhatWasIt}</h1>
      <p className={chapter.verdict}>
        {say.sixMadeUpMonthsLookAt}
        {Object.keys(right).length > 0 && say.ofFoundSoFar(Object.values(right).filter(Boolean).length, Object.keys(right).length)}
      </p>
      <div className={chapter.actions}>
        {cases.map((each, k) => (
          <Button key={each.id} size="compact-sm" variant={k === at ? "filled" : "default"} onClick={() => setAt(k)}>
            {each.title}
          </Button>
        ))}
      </div>
      <Case
        key={one.id}
        one={one}
        done={(isRight) => setRight({ ...right, [one.id]: isRight })}
        next={at < cases.length - 1 ? () => setAt(at + 1) : null}
      />
    </div>
  );
}

function Case({ one, done, next }: { one: TrainerCase; done: (isRight: boolean) => void; next: (() => void) | null }) {
  const [posted, setPosted] = useState<Posted>({});
  const [answered, setAnswered] = useState(false);
  const sum = ACCOUNTS.reduce((total, account) => total + Number(posted[account] || 0), 0);
  const compare = () => {
    setAnswered(true);
    done(isFound(one, posted));
  };
  const picture = (
    title: string,
    values: TrainerCase["rainMm"],
    note: string,
    over?: TrainerCase["rainMm"],
    fill = "var(--ink)",
    height = 170,
  ) => <DaysPicture title={title} note={note} one={one} height={height} values={values} over={over} fill={fill} />;
  return (
    <section className={chapter.section}>
      <h2>
        {one.title}: {monthName(one.month)} {one.month.slice(0, 4)}
      </h2>
      <p>
        {one.question} Metered is <Figure working={() => missingWorking(one)}>{number(one.missingKwh)} kWh</Figure>{" "}
        {say.underWhatWasExpected}
      </p>
      {picture("Days", one.meteredKwh, say.meteredKwhDashedExpected, one.expectedKwh)}
      <div className={styles.split}>
        {picture("Rain", one.rainMm, "mm", undefined, "var(--account-snow)", 110)}
        {one.snowCm && picture(say.snowOnTheGround, one.snowCm, "cm", undefined, "var(--account-snow)", 110)}
      </div>
      <AnswerForm compare={compare} posted={posted} setPosted={setPosted} one={one} sum={sum} />
      {answered && (
        <div role="status">
          <p className={isFound(one, posted) ? styles.entry : chapter.clay}>
            {one.answer === "none" ? (
              say.thereWasNothingToPost
            ) : (
              <>
                It was {one.answer}:{" "}
                <Figure end="." working={() => answerWorking(one)}>
                  {number(one.answerKwh)} kWh
                </Figure>
              </>
            )}{" "}
            {isFound(one, posted) ? say.youFoundIt : "Not yet."}
          </p>
          <p>{one.lesson}</p>
          {next && (
            <Button variant="default" onClick={next}>
              Next case
            </Button>
          )}
        </div>
      )}
    </section>
  );
}

interface DaysPictureProps {
  readonly title: string;
  readonly note: string;
  readonly one: TrainerCase;
  readonly height: number;
  readonly values: (number | null)[];
  readonly over: (number | null)[] | undefined;
  readonly fill: string;
}

function DaysPicture({ title, note, one, height, values, over, fill }: DaysPictureProps) {
  return (
    <ChartFrame
      title={title}
      note={note}
      fileName={`trainer-${one.id}-${title}`}
      height={height}
      summary={`${title} by day`}
      table={() => [["day", title], ...one.days.map((day, d) => [day, values[d] ?? null])]}
    >
      {(width) => (
        <DaySeries
          days={one.days}
          values={values}
          {...(over ? { over } : {})}
          width={width}
          height={height}
          fill={fill}
          label={(value) => number(value, Math.max(...values.map((each) => each ?? 0)) < 4 ? 1 : 0)}
        />
      )}
    </ChartFrame>
  );
}

interface AnswerFormProps {
  readonly compare: () => void;
  readonly posted: Partial<Record<"snow" | "soiling" | "downtime" | "dataGap", string | number>>;
  readonly setPosted: Dispatch<SetStateAction<Partial<Record<"snow" | "soiling" | "downtime" | "dataGap", string | number>>>>;
  readonly one: TrainerCase;
  readonly sum: number;
}

function AnswerForm({ compare, posted, setPosted, one, sum }: AnswerFormProps) {
  return (
    <form
      className={styles.form}
      onSubmit={(event) => {
        event.preventDefault();
        compare();
      }}
    >
      {ACCOUNTS.map((account) => (
        <NumberField
          key={account}
          label={`${account}, kWh`}
          value={posted[account] ?? ""}
          onChange={(value) => setPosted({ ...posted, [account]: value })}
          min={0}
          w={120}
        />
      ))}
      <span className={chapter.soft}>
        <Figure plain working={() => leftWorking(one, sum)}>
          {number(one.missingKwh - sum)} kWh
        </Figure>
        {say.leftInTheRemainder}
      </span>
      <Button type="submit">{say.compareWithTheTruth}</Button>
    </form>
  );
}

/** The cause is found when most of the posting stands on it, near its energy. */
function isFound({ answer, answerKwh, missingKwh }: TrainerCase, posted: Posted): boolean {
  const on = (account: (typeof ACCOUNTS)[number]): number => Number(posted[account] || 0);
  const sum = ACCOUNTS.reduce((total, account) => total + on(account), 0);
  if (answer === "none") return sum < 0.02 * Math.max(1, missingKwh) || sum === 0;
  return Math.abs(on(answer) - answerKwh) <= NEAR_FRAC * answerKwh && on(answer) > 0.7 * sum;
}
