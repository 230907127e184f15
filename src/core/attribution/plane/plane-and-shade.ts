import type { MeteredOnAxis } from "../../ledger";
import { either, type Standstill, standstill } from "../outage/standstill";
import { type AttributionFrame, attributionFrame } from "../record/frame";
import { shadeEvidence, touchedByShade } from "../shade/detect";
import { type OrientationEvidence, orientationEvidence } from "./detect";
import { NEAR_DEG, PLANE_TERMS } from "./thresholds";
import { type PlaneOffset, siteWithOffset } from "./turned-site";
import { bestOf, type PlaneHypothesis } from "./weigh";

/** A plant with its plane as the readings have it, and the steps that shade spoils for all other causes. */
export interface PlaneAndShade {
  readonly frame: AttributionFrame;
  readonly orientation: OrientationEvidence | null;
  readonly found: Standstill;
  readonly shaded: Uint8Array;
}

/**
 * A turned plane and an obstacle both take mornings or evenings. The plane is fitted without the places of the sky that look shaded by the book's, and
 * once more without those that look shaded by the turned one. The book's plane and those that were fitted, each with the shade that it leaves, are weighed
 * by one criterion: what explains the clear hours best for what it takes to say.
 */
export function planeAndShade(book: AttributionFrame, metered: MeteredOnAxis, ceilingKwh: number): PlaneAndShade {
  const bare = standstill(book, ceilingKwh);
  if (book.resolution !== "hours") return { frame: book, orientation: null, found: bare, shaded: new Uint8Array(book.axis.count) };
  const asBook = withShade(book, bare, ceilingKwh);
  // A plane that is turned far leaves too little outside the places that look shaded by the book's.
  const first =
    orientationEvidence(book, either(asBook.found.spoilt, asBook.shaded), ceilingKwh) ??
    (asBook.isSeen ? orientationEvidence(book, asBook.found.spoilt, ceilingKwh) : null);
  if (!first?.planeOffset) return chosen(asBook, first);
  const frameBy = (planeOffset: PlaneOffset): AttributionFrame =>
    attributionFrame(siteWithOffset(book.site, planeOffset), book.prepared, metered);
  const by = (planeOffset: PlaneOffset): Shaded => {
    const frame = frameBy(planeOffset);
    return withShade(frame, standstill(frame, ceilingKwh), ceilingKwh);
  };
  const turned = by(first.planeOffset);
  if (!asBook.isSeen && !turned.isSeen) return chosen(turned, first);
  const again = orientationEvidence(book, either(turned.found.spoilt, turned.shaded), ceilingKwh, first.planeOffset);
  // Hours that no shade touches, neither by the book's plane nor by the turned one, are the best witness there is.
  if (again && !again.planeOffset) return chosen(asBook, again);
  const ways: { readonly way: Shaded; readonly orientation: OrientationEvidence | null }[] = [
    { way: asBook, orientation: null },
    { way: turned, orientation: first },
  ];
  if (again?.planeOffset) {
    const isAlike = isNear(again.planeOffset, first.planeOffset);
    ways.push({ way: isAlike ? { ...turned, frame: frameBy(again.planeOffset) } : by(again.planeOffset), orientation: again });
  }
  const best = ways[bestOf(ways.map(({ way, orientation }) => weighed(way, orientation !== null && orientation.planeOffset !== null)))]!;
  return chosen(best.way, best.orientation);
}

const chosen = ({ frame, found, shaded }: Shaded, orientation: OrientationEvidence | null): PlaneAndShade => ({
  frame,
  orientation,
  found,
  shaded,
});

const weighed = ({ frame, found, owedKwh, fields }: Shaded, isTurned: boolean): PlaneHypothesis => ({
  frame,
  owedKwh,
  spoilt: found.spoilt,
  terms: (isTurned ? PLANE_TERMS : 0) + fields,
});

const isNear = (a: PlaneOffset, b: PlaneOffset): boolean =>
  Math.abs(a.azimuthOffsetDeg - b.azimuthOffsetDeg) < NEAR_DEG && Math.abs(a.tiltOffsetDeg - b.tiltOffsetDeg) < NEAR_DEG;

/** A plane with the shade that it leaves. */
interface Shaded {
  readonly frame: AttributionFrame;
  readonly found: Standstill;
  readonly shaded: Uint8Array;
  readonly isSeen: boolean;
  /** Fields of the sky that are shaded. */
  readonly fields: number;
  readonly owedKwh: Float64Array;
}

/** Steps that shade spoils, and what holds the plant once they are left out of what is usual. */
function withShade(frame: AttributionFrame, before: Standstill, ceilingKwh: number): Shaded {
  const usual = ({ usual: ratios }: Standstill): Float64Array =>
    frame.openKwh.map((kwh, i) => Math.min(ceilingKwh, kwh * ratios[frame.days.binOf[i]!]!));
  const { fields, lostFrac, isSeen, from } = shadeEvidence(frame, usual(before), before.spoilt);
  const shaded = touchedByShade(frame, fields, from);
  const found = isSeen ? standstill(frame, ceilingKwh, [], shaded) : before;
  const owedKwh = usual(found).map((kwh, i) => kwh * (1 - lostFrac[i]!));
  return { frame, found, shaded, isSeen, fields: fields.filter((field) => field.isShaded).length, owedKwh };
}
