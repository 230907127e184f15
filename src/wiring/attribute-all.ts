import { runAttribution } from "@/usecases/attribution";
import type { Services } from "./services";

/** Works out the causes of every book whose causes are wanted, so that its chapter opens at once. */
export async function attributeAll(services: Services): Promise<void> {
  for (const { bookId, version } of await services.attributions.behind()) {
    await services.attributions.want(bookId, version);
    await runAttribution(services, bookId);
  }
}
