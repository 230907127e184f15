import type { TestPorts } from "@/usecases/acceptance";
import { house } from "@/wiring";

/** What tests are made and kept with. */
export function testPorts(): TestPorts {
  const { tests, entries, imports, askAndWait } = house();
  return { tests, entries, imports, measure: (book, asked) => askAndWait(book, "test", asked) };
}
