"use client";

import { Button, TextInput } from "@mantine/core";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { openedBookSchema } from "@/contracts/answers";
import { siteSchema } from "@/contracts/site";
import { plantBasis } from "@/core/site";
import { type PlantRead, plantOfLine } from "@/core/typed";
import { ask } from "@/features/data/ask";
import { useChange } from "@/features/data/use-change";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { say } from "@/wording/screens/opening";
import { writingNow } from "@/wording/writing";
import { CanBeTold } from "./CanBeTold";
import { HaveStep } from "./HaveStep";
import styles from "./Opening.module.css";
import { firstStop, hasSize, type Opening, siteOfOpening } from "./opening";
import { PlantShown } from "./PlantShown";
import { useKeptOpening } from "./use-kept-opening";
import { WhereStep } from "./WhereStep";

/** A new book: where, what stands there, what there is to bring. Nothing is stored before it is opened. */
export function OpeningPage() {
  const { opening, change, forget } = useKeptOpening();
  const plant = plantOfLine(opening.line, writingNow().decimal);
  const made = siteOfOpening(opening, plant);
  const read = made && siteSchema.safeParse(made);
  const site = read?.success ? read.data : null;
  const refused = read && !read.success ? (read.error.issues[0]?.message ?? "") : "";
  return (
    <div className={chapter.page}>
      <h1>{say.openABook}</h1>
      <p className={chapter.verdict}>{say.threeQuestions}</p>
      <div className={`${chapter.columns} ${styles.columns}`}>
        <div>
          <section className={chapter.section}>
            <h2>{say.where}</h2>
            <WhereStep opening={opening} change={change} />
            <div className={styles.pair}>
              <NumberField
                label={say.heightAboveTheSea}
                unit="m"
                description={say.heightHow}
                value={opening.elevationM ?? ""}
                onChange={(value) => change({ elevationM: typeof value === "number" ? value : null })}
              />
              <TextInput
                label={say.nameOfTheBook}
                placeholder={opening.where?.label ?? ""}
                maxLength={80}
                value={opening.name}
                onChange={(event) => change({ name: event.currentTarget.value })}
              />
            </div>
          </section>
          <section className={chapter.section}>
            <h2>{say.whatStandsThere}</h2>
            <TextInput
              label={say.theRoofInOneLine}
              description={say.lineHow}
              placeholder={say.linePlaceholder}
              maxLength={300}
              value={opening.line}
              onChange={(event) => change({ line: event.currentTarget.value })}
            />
          </section>
          <HaveStep has={opening.has} change={(has) => change({ has })} />
          <OpenIt opening={opening} plant={plant} document={site} refused={refused} onOpened={forget} />
        </div>
        <div>
          <PlantShown plant={plant} site={site} />
          <CanBeTold has={opening.has} plant={site ? plantBasis(site) : "assumed"} />
        </div>
      </div>
    </div>
  );
}

interface OpenItProps {
  readonly opening: Opening;
  readonly plant: PlantRead;
  readonly document: unknown;
  /** Why what was said makes no book, in the words of its schema. */
  readonly refused: string;
  readonly onOpened: () => void;
}

/** What is still needed, or the button. */
function OpenIt({ opening, plant, document, refused, onOpened }: OpenItProps) {
  const router = useRouter();
  // One making, however often it is sent: a double click, or a sending again after a lost connection.
  const [making] = useState(() => crypto.randomUUID());
  const sending = useChange(
    (site: unknown) => ask(openedBookSchema, "/api/books", { method: "POST", body: site, headers: { "idempotency-key": making } }),
    {
      onDone: ({ slug }) => {
        router.push(firstStop(slug, opening.has));
        onOpened();
      },
    },
  );
  const hasRoof = plant.roofs.some(hasSize);
  const lacks = opening.where ? (hasRoof ? refused && say.cantBe(refused) : say.needsARoof) : hasRoof ? say.needsAPlace : say.needsBoth;
  return (
    <div className={styles.open}>
      {sending.refusal && <Refused refusal={sending.refusal} />}
      <Button disabled={document === null} loading={sending.isBusy} onClick={() => sending.run(document)}>
        {say.openTheBook}
      </Button>
      <span className={chapter.soft} role="status">
        {lacks}
      </span>
    </div>
  );
}
