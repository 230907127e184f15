import type { DesignAccount, LedgerAccount } from "@/core/accounts";

/** Every account that a chart can draw. */
export type DrawnAccount = DesignAccount | LedgerAccount;

/** Every account has its own hatch beside its colour, the same in every chart. Stroke paths in an 6 by 6 tile. */
const STROKES: Readonly<Record<DrawnAccount, string>> = {
  orientation: "M3 0L6 3L3 6L0 3Z",
  rating: "M0 3H2M4 3H6M3 0V2M3 4V6",
  rear: "M3 1.6V4.4M1.6 3H4.4",
  shading: "M1.5 0V6M4.5 0V6",
  snow: "M1 1h.9M4 4h.9M4 1h.9M1 4h.9",
  soiling: "M-1 7L7 -1M-1 1L1 -1M5 7L7 5",
  reflection: "M0 1.5H6M0 4.5H6",
  lowLight: "M3 3h.9",
  temperature: "M0 0L6 6M6 0L0 6",
  ageing: "M-1 -1L7 7M-1 5L1 7M5 -1L7 1",
  wiring: "M1 0V6M3 0V6M5 0V6",
  inverter: "M0 1H6M0 3H6M0 5H6",
  clipping: "M0 0L3 3L6 0",
  curtailment: "M0 2.2H6M3 2.2V6",
  downtime: "",
  strings: "M0 3H2.2M3.8 3H6M3 0V6",
  derating: "M0 1L3 5L6 1",
  dataGap: "",
  unexplained: "",
};

export const hatchId = (account: DrawnAccount): string => `hatch-${account}`;
export const accountFill = (account: DrawnAccount): string => `url(#${hatchId(account)})`;
export const accountColour = (account: DrawnAccount): string => `var(--account-${account})`;

/** The patterns themselves; one copy a page serves all charts on it. */
export function Hatches() {
  return (
    <svg width="0" height="0" aria-hidden="true" style={{ position: "absolute" }}>
      <defs>
        {(Object.entries(STROKES) as [DrawnAccount, string][]).map(([account, path]) => (
          <pattern key={account} id={hatchId(account)} width="6" height="6" patternUnits="userSpaceOnUse">
            <rect width="6" height="6" fill={accountColour(account)} />
            <path d={path} stroke="var(--hatch)" strokeWidth="0.8" fill="none" />
          </pattern>
        ))}
      </defs>
    </svg>
  );
}
