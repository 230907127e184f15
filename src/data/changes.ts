import pg from "pg";

/** How long to wait before listening again after the database went away. */
const AGAIN_MS = 1000;

/**
 * Tells each change of a book by its address as soon as it is stored, whichever process stored it; null where anything may have changed, since for a while
 * nobody listened. Gives a way to stop. Raw SQL: listening is nothing that models do.
 */
export function listenForChanges(url: string, onChange: (slug: string | null) => void): { readonly stop: () => Promise<void> } {
  let client: pg.Client | null = null;
  let stopped = false;

  async function listen(): Promise<void> {
    const own = new pg.Client({ connectionString: url, keepAlive: true, application_name: "dusty-ledger listens" });
    client = own;
    own.on("notification", ({ payload }) => onChange(payload || null));
    own.on("error", () => {});
    own.once("end", again);
    try {
      await own.connect();
      await own.query("listen book_changed");
      onChange(null);
    } catch {
      // A connection that was never made has no end to wait for.
      own.off("end", again);
      await own.end().catch(() => {});
      again();
    }
  }

  function again(): void {
    onChange(null);
    if (!stopped) setTimeout(() => void listen(), AGAIN_MS).unref();
  }

  void listen();
  return {
    async stop() {
      stopped = true;
      await client?.end().catch(() => {});
    },
  };
}
