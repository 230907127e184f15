import { DEMO_BOOKS, DEMO_FEEDS, SIMULATOR_ORDER } from "@simulators";
import { feedSettingsSchema } from "@/contracts/feeds";
import type { Services } from "./services";

/** Gives the demo books their feeds, at the ports where the simulators run this time, in their order; feeds that are there get the new address. */
export async function placeDemoFeeds(services: Services, ports: readonly number[]): Promise<void> {
  const spines = (await services.books.spines()).filter(({ isDemo }) => isDemo);
  for (const { book: name, simulator, settings } of DEMO_FEEDS) {
    const spine = spines.find((candidate) => candidate.name === name);
    const book = spine && (await services.books.bySlug(spine.slug));
    if (!book) continue;
    const { path, ...rest } = settings;
    const url = `http://127.0.0.1:${ports[SIMULATOR_ORDER.indexOf(simulator)]}${path}`;
    const placed = (await services.feeds.of(book.id)).find((feed) => feed.settings.name === rest.name);
    const wanted = feedSettingsSchema.parse({ ...rest, url, enabled: placed?.settings.enabled ?? false });
    const startsUtcMs = Date.parse(DEMO_BOOKS.find((demo) => demo.site.name === name)!.lastUtc);
    if (!placed) await services.feeds.create(book.id, wanted, true, startsUtcMs - 1);
    else if (placed.settings.url !== url)
      await services.feeds.change(book.id, placed, wanted, placed.nextUtc === null ? null : Date.parse(placed.nextUtc));
  }
}
