import { legLengthM } from "@/core/geometry";
import type { TiltStep } from "@/core/tilt";
import { writeReminders } from "@/formats/icalendar";
import type { Book } from "../books";
import { Refusal } from "../refusal";

/** How a change of tilt is said, given by who asks for the file. */
export interface TiltWords {
  title(site: string): string;
  step(array: string, tiltDeg: number): string;
  how(tiltDeg: number, legM: number | null): string;
}

/** A rack's changes of tilt as a calendar file; the first year is the one of a given day. */
export function tiltReminders(book: Book, arrayId: string, steps: readonly TiltStep[], today: string, inWords: TiltWords): string {
  const array = book.site.arrays.find((candidate) => candidate.id === arrayId);
  if (!array) throw new Refusal("bad-request", "planner-array-unknown", { arrayId });
  const name = array.name || array.id;
  return writeReminders(
    inWords.title(book.site.name),
    steps.map(({ from, tiltDeg }) => ({
      on: `${today.slice(0, 4)}-${from}`,
      everyYears: 1,
      uid: `${book.slug}-${array.id}-${from}@dusty-ledger`,
      title: `${book.site.name}, ${inWords.step(name, tiltDeg)}`,
      text: inWords.how(tiltDeg, array.rack ? legLengthM(array.rack, tiltDeg) : null),
    })),
  );
}
