import { currentAttribution, runWaiting } from "@/usecases/attribution";
import type { Services } from "./services";

/** Works out the causes of every book that has none yet, so that its chapter opens at once. */
export async function attributeAll(services: Services): Promise<void> {
  for (const book of await services.books.list()) await currentAttribution(services, book);
  await runWaiting(services);
}
