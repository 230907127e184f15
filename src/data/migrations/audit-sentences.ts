import type { AuditEntry } from "@/contracts/keeping";

/** Names that accounts had in the first edition's sentences. */
const ACCOUNTS: Readonly<Record<string, string>> = {
  orientation: "orientation",
  "rear light": "rear",
  shading: "shading",
  snow: "snow",
  soiling: "soiling",
  reflection: "reflection",
  "low light": "lowLight",
  temperature: "temperature",
  "rating and gain": "rating",
  ageing: "ageing",
  "wiring, mismatch": "wiring",
  inverter: "inverter",
  clipping: "clipping",
  downtime: "downtime",
  unread: "unread",
  remainder: "remainder",
};

type Coded = Pick<AuditEntry, "code" | "facts">;

const name = Object.keys(ACCOUNTS).join("|");
const READERS: readonly { readonly form: RegExp; readonly read: (found: Record<string, string>) => Coded }[] = [
  {
    form: new RegExp(`^(?<kwh>-?[\\d.]+) kWh moved from (?<from>${name}) to (?<to>${name}): (?<reason>[\\s\\S]*)$`),
    read: ({ kwh, from, to, reason }) => ({
      code: "moved",
      facts: { kwh: Number(kwh), from: ACCOUNTS[from!]!, to: ACCOUNTS[to!]!, reason: reason! },
    }),
  },
  {
    form: new RegExp(`^(?<kwh>-?[\\d.]+) kWh on (?<account>${name}) rejected: (?<reason>[\\s\\S]*)$`),
    read: ({ kwh, account, reason }) => ({ code: "rejected", facts: { kwh: Number(kwh), account: ACCOUNTS[account!]!, reason: reason! } }),
  },
  {
    form: new RegExp(`^(?<account>${name}) accepted$`),
    read: ({ account }) => ({ code: "accepted", facts: { account: ACCOUNTS[account!]! } }),
  },
  { form: /^a move was taken back$/, read: () => ({ code: "taken-back", facts: {} }) },
  { form: /^closed(?:: (?<note>[\s\S]*))?$/, read: ({ note }) => ({ code: "closed", facts: { note: note ?? "" } }) },
  { form: /^reopened: (?<reason>[\s\S]*)$/, read: ({ reason }) => ({ code: "reopened", facts: { reason: reason! } }) },
];

/** A sentence of the first edition's trail as its code and facts; one that no form fits is stored as it was written. */
export function auditFactsOf(what: string): Coded {
  for (const { form, read } of READERS) {
    const found = form.exec(what);
    if (found) return read({ ...found.groups });
  }
  return { code: "written", facts: { text: what } };
}
