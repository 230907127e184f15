import { cpus, totalmem } from "node:os";
import { type Row, table } from "./report";

/** The page of what was tried on the house, from one run of the siege. */
export function resiliencePage(rows: readonly Row[], seed: number, seconds: number): string {
  const sum = (of: readonly Row[], what: "tried" | "survived"): number => of.reduce((total, row) => total + row[what], 0);
  const faults = rows.filter(({ part }) => ["faults", "starts", "disk full", "clock"].includes(part));
  const inputs = rows.filter(({ part }) => part === "inputs" || part === "files");
  return `# Resilience

Written by \`npm run siege -- --write\`: a house of its own on loopback (its own PostgreSQL, server, worker), beset for ${Math.round(seconds / 60)} minutes on ${new Date().toISOString().slice(0, 10)}
(${cpus().length} processors, ${Math.round(totalmem() / 2 ** 30)} GiB, Node ${process.versions.node}, seed ${seed}). The attackers share the machine with the house.

- Bad inputs and files: ${sum(inputs, "tried")} tried, ${sum(inputs, "survived")} answered with words, in time, with nothing half stored.
- Faults of processes, disk, clock and starts: ${sum(faults, "survived")} of ${sum(faults, "tried")} survived.

${table(rows)}

## How it is held

- **Before anything of ours runs** (\`src/server\`): a readable address, a host and an origin of this house, the announced length of a body, its pace, a turn among a few that are worked on. \`docs/limits.md\` has the figures.
- **Foreign files** are read in threads (\`src/reader\`), by readers that count cells, elements and bytes as they come.
- **Heavy sums** are done in threads (\`src/reckoner\`) with a budget a book; over it the book is set aside with words and a button.
- **Pages** are kept as they were made until something that they show changes: PostgreSQL tells each change (\`LISTEN\`), and each showing has a nonce of its own. A ledger page that has to be made anew takes about 45 ms of one processor; the first of each kind after a start also loads its program, 100 to 180 ms.
- **Long records** are joined from their pages as these come, run a stretch of sun at a time, and handed on rather than copied; what a step leaves is given back before the next.
- **Processes** are kept by \`scripts/start.mjs\`: started again after 0.1 to 10 s, killed 12 s after they were asked to end, and gone when it is gone (the kernel's parent-death signal). A job whose worker died is taken again within a minute.
- **PostgreSQL** has a role for the app that owns nothing and one that migrates; constraints hold what forms forbid.

## What is not tried

- A disk that fails under PostgreSQL, or lies about what it wrote.
- Attackers at many addresses: places are shared out by address, and there is no login yet (issue 16).
- Proxies other than the one of the table, and more than one in a row.
- Other systems than Linux: without \`setpriv\` helpers of a killed start end only when they notice that their line is cut.
`;
}
