import type { Evidence } from "../evidence";
import { type CauseFinding, lostKwh, startOf, wholeRecord, within } from "../finding";
import { SHADE_MORE, SHADE_OFF, SURE_SHADE } from "./thresholds";

/** An obstacle that is not in the book, where it takes most. */
export function shadeFindings(evidence: Evidence): CauseFinding[] {
  const { shade, frame } = evidence;
  if (!shade.isSeen) return [];
  const fields = shade.fields.filter((field) => field.isShaded);
  const lost = within(
    lostKwh(evidence, 0, frame.axis.count, (i) => 1 - shade.lostFrac[i]!),
    SHADE_OFF,
  );
  const darkest = fields.reduce((a, b) => (b.ratio < a.ratio ? b : a));
  return [
    {
      kind: "shading",
      ...wholeRecord(evidence),
      fromUtcMs: startOf(evidence, shade.from),
      ...lost,
      kwhHigh: lost.kwh! * (1 + SHADE_MORE),
      confidenceFrac: SURE_SHADE,
      facts: {
        fields: fields.length,
        azimuthDeg: darkest.azimuthDeg,
        elevationDeg: darkest.elevationDeg,
        ratio: darkest.ratio,
        isFromADay: shade.from > 0 ? "yes" : "no",
      },
    },
  ];
}
