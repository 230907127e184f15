import type { MeteredOnAxis } from "../../ledger";
import { either, type Standstill, standstill } from "../outage/standstill";
import { type AttributionFrame, attributionFrame } from "../record/frame";
import { shadeEvidence, touchedByShade } from "../shade/detect";
import { type OrientationEvidence, orientationEvidence } from "./detect";
import { NEAR_DEG } from "./thresholds";
import { type PlaneOffset, siteWithOffset } from "./turned-site";

/** A plant with its plane as the readings have it, and the steps that shade spoils for all other causes. */
export interface PlaneAndShade {
  readonly frame: AttributionFrame;
  readonly orientation: OrientationEvidence | null;
  readonly found: Standstill;
  readonly shaded: Uint8Array;
}

/**
 * A turned plane and an obstacle both take mornings or evenings. The plane is fitted without the places of the sky that look shaded by the book's: if
 * the rest still asks for a turn, it is turned, and what looks shaded by the turned plane is an obstacle.
 */
export function planeAndShade(book: AttributionFrame, metered: MeteredOnAxis, ceilingKwh: number): PlaneAndShade {
  const none = new Uint8Array(book.axis.count);
  const bare = standstill(book, ceilingKwh);
  if (book.resolution !== "hours") return { frame: book, orientation: null, found: bare, shaded: none };
  const [shaded, found] = withShade(book, bare, ceilingKwh);
  // A plane that is turned far leaves too little outside the places that look shaded by the book's.
  const first =
    orientationEvidence(book, either(found.spoilt, shaded), ceilingKwh) ??
    (shaded.includes(1) ? orientationEvidence(book, found.spoilt, ceilingKwh) : null);
  if (!first?.planeOffset) return { frame: book, orientation: first, found, shaded };
  const by = (planeOffset: PlaneOffset): AttributionFrame =>
    attributionFrame(siteWithOffset(book.site, planeOffset), book.prepared, metered);
  const turned = by(first.planeOffset);
  const [left, still] = withShade(turned, standstill(turned, ceilingKwh), ceilingKwh);
  if (!shaded.includes(1) && !left.includes(1)) return { frame: turned, orientation: first, found: still, shaded: left };
  const orientation = orientationEvidence(book, either(still.spoilt, left), ceilingKwh, first.planeOffset);
  if (!orientation?.planeOffset) return { frame: book, orientation, found, shaded };
  const frame = by(orientation.planeOffset);
  if (isNear(orientation.planeOffset, first.planeOffset)) return { frame, orientation, found: still, shaded: left };
  const [stays, last] = withShade(frame, standstill(frame, ceilingKwh), ceilingKwh);
  return { frame, orientation, found: last, shaded: stays };
}

const isNear = (a: PlaneOffset, b: PlaneOffset): boolean =>
  Math.abs(a.azimuthOffsetDeg - b.azimuthOffsetDeg) < NEAR_DEG && Math.abs(a.tiltOffsetDeg - b.tiltOffsetDeg) < NEAR_DEG;

/** Steps that shade spoils, and what holds the plant once they are left out of what is usual. */
function withShade(frame: AttributionFrame, found: Standstill, ceilingKwh: number): [Uint8Array, Standstill] {
  const expected = frame.openKwh.map((kwh, i) => Math.min(ceilingKwh, kwh * found.usual[frame.days.binOf[i]!]!));
  const { fields, isSeen } = shadeEvidence(frame, expected, found.spoilt);
  const touched = touchedByShade(frame, fields);
  return [touched, isSeen ? standstill(frame, ceilingKwh, [], touched) : found];
}
