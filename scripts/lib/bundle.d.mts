export function ensurePrograms(): Promise<void>;
export function program(name: "ledger" | "worker" | "prepare" | "simulator"): string;
