import { legLengthM } from "@/core/geometry";
import type { TiltStep } from "@/core/tilt";
import { writeReminders } from "@/formats/icalendar";
import type { Book } from "../books";
import { Refusal } from "../refusal";

/** A rack's changes of tilt as a calendar file; the first year is the one of a given day. */
export function tiltReminders(book: Book, arrayId: string, steps: readonly TiltStep[], today: string): string {
  const array = book.site.arrays.find((candidate) => candidate.id === arrayId);
  if (!array) throw new Refusal("bad-request", "planner-array-unknown", { arrayId });
  const name = array.name || array.id;
  return writeReminders(
    `${book.site.name}: tilts`,
    steps.map(({ from, tiltDeg }) => ({
      on: `${today.slice(0, 4)}-${from}`,
      everyYears: 1,
      uid: `${book.slug}-${array.id}-${from}@dusty-ledger`,
      title: `${book.site.name}, ${name}: tilt to ${tiltDeg}°`,
      text: [
        `${tiltDeg}° from flat (${Math.round((90 - tiltDeg) * 10) / 10}° from upright).`,
        array.rack ? `Leg ${legLengthM(array.rack, tiltDeg).toFixed(3)} m.` : "",
        "Two people, no wind; isolate by the maker's procedure before anything is moved. Write the change in the field book.",
      ]
        .filter(Boolean)
        .join(" "),
    })),
  );
}
