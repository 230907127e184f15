import type { MeteredOnAxis } from "../../ledger";
import { either, type Standstill, standstill } from "../outage/standstill";
import { type CauseBasis, causeBasis } from "../record/frame";
import { shadeEvidence, touchedByShade } from "../shade/detect";
import { type OrientationEvidence, orientationEvidence } from "./detect";
import { type Turn, turnedSite } from "./turned-site";

/** A plant with its plane as the readings have it, and the steps that shade spoils for all other causes. */
export interface PlaneAndShade {
  readonly basis: CauseBasis;
  readonly orientation: OrientationEvidence | null;
  readonly found: Standstill;
  readonly shaded: Uint8Array;
}

/**
 * A turned plane and an obstacle both take mornings or evenings. The plane is fitted without the places of the sky that look shaded by the book's: if
 * the rest still asks for a turn, it is turned, and what looks shaded by the turned plane is an obstacle.
 */
export function planeAndShade(book: CauseBasis, metered: MeteredOnAxis, ceilingKwh: number): PlaneAndShade {
  const none = new Uint8Array(book.axis.count);
  const bare = standstill(book, ceilingKwh);
  if (book.resolution !== "hours") return { basis: book, orientation: null, found: bare, shaded: none };
  const [shaded, found] = withShade(book, bare, ceilingKwh);
  // A plane that is turned far leaves too little outside the places that look shaded by the book's.
  const first =
    orientationEvidence(book, either(found.spoilt, shaded), ceilingKwh) ??
    (shaded.includes(1) ? orientationEvidence(book, found.spoilt, ceilingKwh) : null);
  if (!first?.turn) return { basis: book, orientation: first, found, shaded };
  const by = (turn: Turn): CauseBasis => causeBasis(turnedSite(book.site, turn), book.prepared, metered);
  const turned = by(first.turn);
  const [left, still] = withShade(turned, standstill(turned, ceilingKwh), ceilingKwh);
  if (!shaded.includes(1) && !left.includes(1)) return { basis: turned, orientation: first, found: still, shaded: left };
  const orientation = orientationEvidence(book, either(still.spoilt, left), ceilingKwh, first.turn);
  if (!orientation?.turn) return { basis: book, orientation, found, shaded };
  const basis = by(orientation.turn);
  if (isNear(orientation.turn, first.turn)) return { basis, orientation, found: still, shaded: left };
  const [stays, last] = withShade(basis, standstill(basis, ceilingKwh), ceilingKwh);
  return { basis, orientation, found: last, shaded: stays };
}

/** Planes so near to one another leave the same places of the sky shaded and the same hours standing still. */
const NEAR_DEG = 3;
const isNear = (a: Turn, b: Turn): boolean =>
  Math.abs(a.turnDeg - b.turnDeg) < NEAR_DEG && Math.abs(a.steeperDeg - b.steeperDeg) < NEAR_DEG;

/** Steps that shade spoils, and what holds the plant once they are left out of what is usual. */
function withShade(basis: CauseBasis, found: Standstill, ceilingKwh: number): [Uint8Array, Standstill] {
  const owed = basis.openKwh.map((kwh, i) => Math.min(ceilingKwh, kwh * found.usual[basis.days.binOf[i]!]!));
  const { fields, isSeen } = shadeEvidence(basis, owed, found.spoilt);
  const touched = touchedByShade(basis, fields);
  return [touched, isSeen ? standstill(basis, ceilingKwh, [], touched) : found];
}
