import { queryOptions } from "@tanstack/react-query";
import { type AttributionRun, attributionRunSchema } from "@/contracts/attribution";
import { ask } from "@/features/data/ask";

const LOOK_EVERY_MS = 700;

export const isWorking = ({ state }: AttributionRun): boolean => state === "waiting" || state === "running";
export const attributionPath = (slug: string): string => `/api/books/${slug}/causes`;

/** How far the search for a book's causes is, asked again until it ends; a look that fails is no end. */
export const progressQuery = (slug: string, run: AttributionRun) =>
  queryOptions({
    queryKey: ["attribution", slug],
    queryFn: ({ signal }) => ask(attributionRunSchema, attributionPath(slug), { signal }),
    initialData: run,
    refetchInterval: ({ state }) => (state.data && isWorking(state.data) ? LOOK_EVERY_MS : false),
    refetchIntervalInBackground: false,
    retry: false,
  });
