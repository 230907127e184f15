import { degToRad } from "@/core/units";
import { say } from "@/wording/screens/kit-angles";

/** Side view of a tilted module: 0 lies flat, 90 stands upright. */
export function TiltView({ tiltDeg }: { tiltDeg: number }) {
  const angle = degToRad(Math.min(90, Math.max(0, tiltDeg || 0)));
  const [x, y] = [8 + 34 * Math.cos(angle), 40 - 34 * Math.sin(angle)];
  return (
    <svg width="52" height="46" role="img" aria-label={say.sideViewDegreesFromHorizontal(tiltDeg)}>
      <line x1="2" x2="50" y1="40" y2="40" stroke="var(--rule-strong)" />
      <path
        d={`M22 40 A14 14 0 0 0 ${8 + 14 * Math.cos(angle)} ${40 - 14 * Math.sin(angle)}`}
        fill="none"
        stroke="var(--ink-soft)"
        strokeDasharray="2 2"
      />
      <line x1="8" y1="40" x2={x} y2={y} stroke="var(--account-inverter)" strokeWidth="4" strokeLinecap="round" />
    </svg>
  );
}

/** Plan view: north up, the arrow where the modules face. */
export function AzimuthView({ azimuthDeg }: { azimuthDeg: number }) {
  const isKnown = Number.isFinite(azimuthDeg);
  const angle = degToRad(isKnown ? azimuthDeg : 0);
  const [x, y] = [23 + 15 * Math.sin(angle), 23 - 15 * Math.cos(angle)];
  return (
    <svg width="46" height="46" role="img" aria-label={say.planViewFacingDegreesFromNorth(azimuthDeg)}>
      <circle cx="23" cy="23" r="17" fill="none" stroke="var(--rule-strong)" />
      <text x="23" y="5.5" textAnchor="middle" fontSize="9" fill="var(--ink-soft)">
        N
      </text>
      {isKnown && <line x1="23" y1="23" x2={x} y2={y} stroke="var(--account-inverter)" strokeWidth="3" strokeLinecap="round" />}
      {isKnown && <circle cx={x} cy={y} r="3" fill="var(--account-inverter)" />}
    </svg>
  );
}
