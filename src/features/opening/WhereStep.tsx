import { Autocomplete } from "@mantine/core";
import { useDebouncedValue } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { type Town, townsAnswerSchema } from "@/contracts/towns";
import { spotOf } from "@/core/typed";
import { ask } from "@/features/data/ask";
import { spotInWords } from "@/wording/geometry";
import { say } from "@/wording/screens/opening";
import { writingNow } from "@/wording/writing";
import type { Opening, Where } from "./opening";

const WAIT_MS = 250;
const LEAST_LETTERS = 2;

const countries = new Intl.DisplayNames(["en"], { type: "region" });
const labelOf = ({ name, country }: Town): string => `${name}, ${countries.of(country) ?? country}`;
/** Two towns of one name in one country are told apart by where they lie. */
const choiceOf = (town: Town): string => `${labelOf(town)} · ${spotInWords(town.latitudeDeg, town.longitudeDeg)}`;

interface Props {
  readonly opening: Opening;
  readonly change: (parts: Partial<Opening>) => void;
}

/** What a text was taken for: of coordinates the clock alone is news. */
const takenFor = ({ label, latitudeDeg, longitudeDeg, timeZone }: Where): string => {
  const spot = spotInWords(latitudeDeg, longitudeDeg);
  return say.takenFor(label === spot ? spot : `${label}: ${spot}`, timeZone);
};

/** A town of the world, or coordinates. */
export function WhereStep({ opening, change }: Props) {
  const { place, where } = opening;
  const [asked] = useDebouncedValue(place, WAIT_MS);
  const isName = where === null && spotOf(asked, writingNow().decimal) === null && asked.trim().length >= LEAST_LETTERS;
  const { data: towns = [], isSuccess } = useQuery({
    queryKey: ["towns", asked],
    queryFn: ({ signal }) => ask(townsAnswerSchema, `/api/towns?q=${encodeURIComponent(asked.slice(0, 80))}`, { signal }),
    enabled: isName,
    staleTime: Number.POSITIVE_INFINITY,
  });
  const typed = (text: string): void => {
    const chosen = towns.find((town) => choiceOf(town) === text);
    if (chosen) {
      const { latitudeDeg, longitudeDeg, timeZone } = chosen;
      change({ place: text, where: { label: labelOf(chosen), latitudeDeg, longitudeDeg, timeZone } });
      return;
    }
    change({ place: text, where: null });
    const spot = spotOf(text, writingNow().decimal);
    if (spot) void placeSpot(spot, text, change);
  };
  // A name typed whole needs no choosing: the largest town of that name is meant, and said.
  const left = (): void => {
    const named = towns.find(({ name }) => name.toLowerCase() === place.split(",")[0]!.trim().toLowerCase());
    if (where === null && named) typed(choiceOf(named));
  };
  const choices = isName ? towns.map(choiceOf) : [];
  return (
    <Autocomplete
      label={say.townOrCoordinates}
      description={where ? takenFor(where) : say.townHow}
      error={isName && isSuccess && towns.length === 0 ? say.noSuchTown : undefined}
      data={[...new Set(choices)]}
      // What was found is shown as it is: the server has filtered by letters without their marks.
      filter={({ options }) => options}
      maxLength={200}
      value={place}
      onChange={typed}
      onBlur={left}
    />
  );
}

/** Coordinates with the clock that goes there. */
async function placeSpot(spot: { latitudeDeg: number; longitudeDeg: number }, text: string, change: Props["change"]): Promise<void> {
  const { default: zoneAt } = await import("@photostructure/tz-lookup");
  const label = spotInWords(spot.latitudeDeg, spot.longitudeDeg);
  change({ place: text, where: { label, ...spot, timeZone: zoneAt(spot.latitudeDeg, spot.longitudeDeg) } });
}
