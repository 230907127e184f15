import { Button, FileButton, Textarea } from "@mantine/core";
import Papa from "papaparse";
import { type Dispatch, type SetStateAction, useState } from "react";
import { readHorizonRows } from "@/contracts/horizon-rows";
import { horizonPointsOf } from "@/core/shading";
import type { HorizonPoint, PvArray } from "@/core/site";
import { HORIZON_ID, type ShadeReport, sumOf } from "@/core/yield";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/site";
import { obstacleWorking } from "@/wording/workings/site-workings";
import styles from "./Shade.module.css";
import { horizonPath } from "./SkyPicture";
import { setAt } from "./site-values";
import type { SiteDraft } from "./use-site-draft";

const rowsOf = (text: string): string[][] => Papa.parse<string[]>(text.trim(), { delimitersToGuess: [",", ";", "\t", " "] }).data;

interface Props {
  readonly draft: SiteDraft;
  readonly array: PvArray;
  readonly report: ShadeReport | null;
  readonly year: string | null;
}

/** The horizon as a table: typed, pasted, or read from a CSV file; the other way is to paint it in the sky. */
export function HorizonTable({ draft, array, report, year }: Props) {
  const points = horizonPointsOf(draft.site, array);
  const [text, setText] = useState<string | null>(null);
  const [fault, setFault] = useState("");
  const path = horizonPath(draft, array);
  const take = (from: string): void => {
    const read = readHorizonRows(rowsOf(from));
    if ("fault" in read) {
      setFault(read.fault);
      return;
    }
    setAt(draft.form, path, read.points);
    setFault("");
    setText(null);
  };
  const months = report?.costs.find(({ id }) => id === HORIZON_ID)?.monthsKwh;
  const shown = text ?? points.map((point) => `${point.azimuthDeg}, ${point.elevationDeg}`).join("\n");
  return (
    <section className={chapter.section}>
      <h2>Horizon</h2>
      <p className={chapter.soft}>
        {points.length === 0 && say.levelPaintItInTheSky}
        {points.length > 0 && `${points.length} points, highest ${number(Math.max(...points.map((point) => point.elevationDeg)), 1)}°`}
        {points.length > 0 && months && (
          <>
            ; it costs{" "}
            <Figure working={() => obstacleWorking("the horizon", months, sumOf(report.openKwh), year)}>{number(sumOf(months))} kWh</Figure>{" "}
            a year
          </>
        )}
        {points.length > 0 && "."}
      </p>
      <Textarea
        aria-label={say.horizonAzimuthElevation}
        autosize
        minRows={2}
        maxRows={6}
        placeholder={"90, 8\n120, 14"}
        value={shown}
        error={fault || undefined}
        onChange={(event) => setText(event.currentTarget.value)}
        onBlur={() => text !== null && text.trim() !== "" && take(text)}
      />
      <HorizonActions take={take} points={points} setText={setText} draft={draft} path={path} />
    </section>
  );
}

interface HorizonActionsProps {
  readonly take: (from: string) => void;
  readonly points: readonly HorizonPoint[];
  readonly setText: Dispatch<SetStateAction<string | null>>;
  readonly draft: SiteDraft;
  readonly path: string;
}

function HorizonActions({ take, points, setText, draft, path }: HorizonActionsProps) {
  return (
    <div className={styles.row}>
      <FileButton
        onChange={(file) => void file?.text().then(take)}
        accept=".csv,text/csv,text/plain"
        inputProps={{ "aria-label": say.readAHorizonFromACsv }}
      >
        {(props) => (
          <Button variant="subtle" size="compact-sm" {...props}>
            {say.readACsv}
          </Button>
        )}
      </FileButton>
      <Button
        variant="subtle"
        size="compact-sm"
        disabled={points.length === 0}
        onClick={() => {
          setText(null);
          setAt(draft.form, path, []);
        }}
      >
        Level again
      </Button>
    </div>
  );
}
