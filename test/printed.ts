import { vi } from "vitest";

/** What a command prints: the terminal's own stream is watched, since that is what a person and a pipe read. */
export async function printed(run: () => Promise<void>): Promise<string> {
  let out = "";
  vi.spyOn(process.stdout, "write").mockImplementation((text) => {
    out += String(text);
    return true;
  });
  try {
    await run();
  } finally {
    vi.restoreAllMocks();
  }
  return out;
}
